<?php

declare(strict_types=1);

namespace Lantern\Node\Table;

use Lantern\Core\Address\Address;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Visitor;
use Lantern\Node\Look\Neighbourhood;
use Lantern\Node\Look\OutOfSight;
use Lantern\Reading\Sql\Row;

/**
 * Writes a node's table of addresses: all of them, or what changed since. A key is an address, or `#`
 * with the id of a place; a value is where a redirect ends that ends there at any time, or what stands
 * at the address and leads on from it as JSON, or that nothing does any more.
 */
final readonly class NodeTableWriter
{
    public const REMOVED = '-';
    public const HOP = '=';

    /** Changes that are kept beside the table before it is made anew: this many, or a tenth of it. */
    private const FEW_CHANGES = 2000;
    private const SHARE_OF_CHANGES = 10;
    private const AT_ONCE = 5000;

    private const PLACE = 'kind, title, address, parent_id, light, opens_on, closes_on, audience, closed_answer, closed_to, listed, '
        .'listing_title, listing_description, serving';
    private const RULE = 'source, is_prefix, goal_place_id, goal_address, goal_query, goal_outside, status, until';

    public function __construct(private \PDO $connection, private string $directory)
    {
    }

    /** Writes all addresses of the latest release. */
    public function all(): NodeTableState
    {
        $name = 'addresses-'.bin2hex(random_bytes(6)).'.cdb';
        $file = $this->create($name);
        $size = 0;
        // One snapshot, so that all of it is of one release.
        $this->connection->exec('BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY; SET LOCAL statement_timeout TO 0');
        try {
            $latest = self::row($this->query(<<<'SQL'
                SELECT COALESCE((SELECT id::text FROM journal.release ORDER BY number DESC
                LIMIT 1), '') AS id, (SELECT COALESCE(max(number), 0) FROM journal.release) AS number
                SQL));
            foreach (['rules' => self::rules('NOT r.is_prefix'), 'places' => self::places('true')] as $cursor => $sql) {
                $this->connection->exec("DECLARE $cursor NO SCROLL CURSOR FOR $sql");
                do {
                    $begun = hrtime(true);
                    $rows = $this->query('FETCH '.self::AT_ONCE." FROM $cursor")->fetchAll(\PDO::FETCH_ASSOC);
                    foreach ($rows as $row) {
                        $this->write($file, $row);
                    }
                    $size += \count($rows);
                    // It takes a minute where there is a million, and visitors come meanwhile: half of the time is theirs.
                    usleep(min(200_000, intdiv(hrtime(true) - $begun, 1000)));
                } while ([] !== $rows);
            }
        } finally {
            $this->connection->exec('ROLLBACK');
            dba_close($file);
        }
        $this->finish($name);

        return new NodeTableState($latest->text('id'), $name, '', $latest->text('id'), $latest->int('number'), $size);
    }

    /**
     * Writes what the releases since the table was made have changed in it.
     *
     * @param string $release id of the latest
     * @param int    $number  its number
     *
     * @return NodeTableState|null null where that is too much, or the table is of another history than the database
     */
    public function changesSince(NodeTableState $state, string $release, int $number): ?NodeTableState
    {
        $keys = $this->changedKeys($state, $number);
        if (null === $keys) {
            return null;
        }
        $name = 'addresses-'.bin2hex(random_bytes(6)).'.cdb';
        $file = $this->create($name);
        $written = [];
        $among = 'SELECT jsonb_array_elements_text(CAST(:keys AS jsonb))';
        foreach ([
            self::rules("NOT r.is_prefix AND r.source IN ($among)"),
            self::places(
                "p.id IN (SELECT id FROM live.place WHERE address IN ($among) UNION SELECT CAST(substr(key, 2) AS uuid) FROM "
                    ."jsonb_array_elements_text(CAST(:keys AS jsonb)) AS key WHERE key LIKE '#%')",
            ),
        ] as $sql) {
            $statement = $this->connection->prepare($sql);
            $statement->execute(['keys' => json_encode($keys, \JSON_THROW_ON_ERROR)]);
            foreach ($statement->fetchAll(\PDO::FETCH_ASSOC) as $row) {
                $written += $this->write($file, $row);
            }
        }
        foreach ($keys as $key) {
            if (!isset($written[$key])) {
                dba_insert($key, self::REMOVED, $file);
            }
        }
        dba_close($file);
        $this->finish($name);

        return $state->withChanges($release, $name);
    }

    /** @return list<string>|null */
    private function changedKeys(NodeTableState $state, int $number): ?array
    {
        $most = max(self::FEW_CHANGES, intdiv($state->size, self::SHARE_OF_CHANGES));
        // After a restored backup the numbers may be those of other releases.
        $statement = $this->connection->prepare(<<<SQL
            SELECT EXISTS (SELECT FROM journal.release WHERE id = CAST(:release AS uuid) AND number = :base) AS is_known, (
                SELECT count(*) FROM (
                    SELECT FROM journal.release n JOIN journal.release_row w ON w.release_id = n.id
                    WHERE n.number > :base AND n.number <= :number AND w.table_name IN ('place', 'redirect') LIMIT $most
                ) these
            ) AS changes
            SQL);
        $statement->execute(['release' => $state->baseRelease, 'base' => $state->baseNumber, 'number' => $number]);
        $found = self::row($statement);
        if (!$found->bool('is_known') || $found->int('changes') >= $most) {
            return null;
        }
        $statement = $this->connection->prepare(<<<'SQL'
            WITH changed AS MATERIALIZED (
                SELECT w.table_name, w.row_id, w.before, w.after FROM journal.release n JOIN journal.release_row w ON w.release_id = n.id
                WHERE n.number > :base AND n.number <= :number AND w.table_name IN ('place', 'redirect')
            ), address AS (
                SELECT before ->> 'address' AS path FROM changed WHERE table_name = 'place' UNION SELECT after ->> 'address'
                    FROM changed WHERE table_name = 'place'
                UNION SELECT before ->> 'source' FROM changed WHERE table_name = 'redirect' UNION SELECT after ->> 'source' FROM changed
                    WHERE table_name = 'redirect'
            )
            SELECT path FROM address WHERE path IS NOT NULL
            UNION SELECT r.source FROM address a JOIN live.redirect r ON r.goal_address = a.path WHERE NOT r.is_prefix
            UNION SELECT r.source FROM changed c JOIN live.redirect r ON r.goal_place_id = c.row_id::uuid WHERE c.table_name = 'place'
                AND NOT r.is_prefix
            UNION SELECT '#' || row_id FROM changed WHERE table_name = 'place'
            SQL);
        $statement->execute(['base' => $state->baseNumber, 'number' => $number]);

        return array_values(array_filter($statement->fetchAll(\PDO::FETCH_COLUMN), \is_string(...)));
    }

    /** @return resource */
    private function create(string $name)
    {
        if (!is_dir($this->directory)) {
            mkdir($this->directory, 0o775, true);
        }
        $file = dba_open("{$this->directory}/$name.part", 'n', 'cdb_make');

        return false === $file ? throw new \RuntimeException("No table of addresses can be written to {$this->directory}.") : $file;
    }

    private function finish(string $name): void
    {
        rename("{$this->directory}/$name.part", "{$this->directory}/$name");
    }

    /**
     * @param resource             $file
     * @param array<string, mixed> $row  of rules() or places()
     *
     * @return array<string, true> the keys that were written
     */
    private function write($file, array $row): array
    {
        /** @var array{p: string|null, r?: string, g?: string|null, goal?: string|null, path: string, id?: string, has_rule?: bool} $row */
        $values = [];
        if (isset($row['id'], $row['p'])) {
            $values["#{$row['id']}"] = $row['p'];
        }
        if (isset($row['r'])) {
            $values[$row['path']] = self::end($row['path'], $row['p'], $row['r'], $row['goal'] ?? null)
                ?? self::known($row['p'], $row['r'], $row['g'] ?? null);
        } elseif (true !== ($row['has_rule'] ?? false)) {
            $values[$row['path']] = self::known($row['p'], null, null);
        }
        foreach ($values as $key => $value) {
            dba_insert((string) $key, $value, $file);
        }

        return array_fill_keys(array_keys($values), true);
    }

    /** What stands at an address and leads on from it, as NodeTable reads it. */
    private static function known(?string $place, ?string $rule, ?string $goalId): string
    {
        $parts = array_filter(['p' => $place, 'r' => $rule, 'g' => null === $goalId ? null : "\"$goalId\""], \is_string(...));

        return '{'.implode(',', array_map(static fn (string $name, string $json): string => "\"$name\":$json", array_keys($parts), $parts))
            .'}';
    }

    /** The status and the end of a redirect, where they are the same at any time. */
    private static function end(string $path, ?string $place, string $rule, ?string $goal): ?string
    {
        $address = Address::fromNormal($path);
        $around = Neighbourhood::of($address, Row::columns($place), Row::columns($rule), Row::columns($goal));
        try {
            $answer = (new Answerer($around, $around))->answer($address->encoded(), Visitor::guest(new \DateTimeImmutable()));
        } catch (OutOfSight) {
            return null;
        }

        return null === $answer->location || null !== $answer->changesAt ? null : self::HOP.$answer->status.' '.$answer->location;
    }

    private static function row(\PDOStatement $statement): Row
    {
        /** @var array<string, mixed>|false $columns */
        $columns = $statement->fetch(\PDO::FETCH_ASSOC);

        return new Row(false === $columns ? [] : $columns);
    }

    private function query(string $sql): \PDOStatement
    {
        return $this->connection->query($sql) ?: throw new \LogicException('A statement that was not made.');
    }

    /** Redirects with what stands at their source, and the place that they lead to. */
    private static function rules(string $where): string
    {
        $rule = self::object('r', self::RULE);
        $place = self::object('p', self::PLACE);
        $goal = self::object('g', self::PLACE);

        return <<<SQL
            SELECT r.source AS path, $rule AS r, CASE WHEN p.id IS NOT NULL THEN $place END AS p, g.id AS g, CASE WHEN g.id IS NOT NULL
                THEN $goal END AS goal
            FROM live.redirect r LEFT JOIN live.place p ON p.address = r.source
            LEFT JOIN live.place g ON g.id = COALESCE(r.goal_place_id, (SELECT id FROM live.place WHERE address = r.goal_address))
            WHERE $where
            SQL;
    }

    /** Places, and whether a redirect stands at their address, which then tells of them. */
    private static function places(string $where): string
    {
        $place = self::object('p', self::PLACE);

        return <<<SQL
            SELECT p.address AS path, p.id, $place AS p, EXISTS (SELECT FROM live.redirect r WHERE r.source = p.address
            AND NOT r.is_prefix) AS has_rule FROM live.place p WHERE $where
            SQL;
    }

    /** A row as JSON, without what says nothing. */
    private static function object(string $alias, string $columns): string
    {
        $pairs = array_map(static fn (string $column): string => "'$column', $alias.$column", explode(', ', "id, $columns"));

        return 'CAST(json_strip_nulls(json_build_object('.implode(', ', $pairs).')) AS text)';
    }
}

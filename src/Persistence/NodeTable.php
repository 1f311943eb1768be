<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Address\Address;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Visitor;

/**
 * The addresses of the latest release, kept on this node as a constant database (cdb) that is looked
 * into without asking PostgreSQL: what stands at each, and where its redirect leads. Where no date and
 * no visitor makes a difference, the end of the redirect is worked out when the table is made. That is
 * when a node first needs it; after a release only what that changed is written beside it, until so much
 * has changed that it is made anew. A node without APCu or the extension dba does without, and asks.
 */
final class NodeTable
{
    /** For how long a release that was published on another node may not be known here, in seconds. */
    private const RELEASE_SEEN_AGAIN = 1;

    /** Changes that are kept beside the table before it is made anew: this many, or a tenth of it. */
    private const FEW_CHANGES = 2000;
    private const SHARE_OF_CHANGES = 10;
    private const AT_ONCE = 5000;
    private const REMOVED = '-';
    private const HOP = '=';

    private const PLACE = 'kind, title, address, parent_id, light, opens_on, closes_on, audience, closed_answer, closed_to, listed, listing_title, listing_description, serving';
    private const RULE = 'source, is_prefix, goal_place_id, goal_address, goal_query, goal_outside, status, until';

    public function __construct(private readonly FirstLook $look, private readonly string $directory)
    {
    }

    public static function isPossible(): bool
    {
        return \function_exists('dba_popen') && \function_exists('apcu_enabled') && apcu_enabled();
    }

    /** After a release its version is asked for at once; nodes elsewhere do so within a second. */
    public static function forgetRelease(): void
    {
        if (\function_exists('apcu_enabled') && apcu_enabled()) {
            apcu_delete(['table.version', 'table.sure']);
        }
    }

    /**
     * Where a redirect leads that leads there at any time, for anybody.
     *
     * @param string $path an address in normal form
     *
     * @return array{int, string}|null status and location, with the target's own query; null where more has to be known
     */
    public function hop(string $path): ?array
    {
        $value = self::isPossible() ? $this->raw($path) : null;
        if (null === $value || self::HOP !== $value[0]) {
            return null;
        }

        return [(int) substr($value, 1, 3), substr($value, 5)];
    }

    /** What is known of an address; null where this node cannot tell, and the database has to be asked. */
    public function at(Address $address): ?Neighbourhood
    {
        $value = self::isPossible() ? $this->raw($address->path) : null;
        if (null === $value || '{' !== $value[0]) {
            return null;
        }
        /** @var array{p?: array<string, mixed>, r?: array<string, mixed>, g?: string} $known */
        $known = json_decode($value, true, 8, \JSON_THROW_ON_ERROR);
        $goal = isset($known['g']) ? $this->raw('#'.$known['g']) : null;
        $version = $this->version();
        /** @var array<string, mixed>|null $place */
        $place = null === $goal ? null : json_decode($goal, true, 8, \JSON_THROW_ON_ERROR);

        return Neighbourhood::of($address, $version['release'].'.'.$version['catalogue'], $known['p'] ?? null, $known['r'] ?? null, $place);
    }

    /** Makes the table, or adds what changed, where it is not of the latest release; one process at a time. */
    public function keepUp(): void
    {
        if (!self::isPossible()) {
            return;
        }
        $version = $this->version();
        $state = apcu_fetch('table.state');
        $known = \is_array($state) ? $state : null;
        if (($known['release'] ?? null) === $version['release'] || '' === $version['release'] || !apcu_add('table.making', true, 600)) {
            return;
        }
        try {
            set_time_limit(0);
            /** @var array{release: string, base: string, changes: string, number: int, size: int}|null $known */
            $next = (null === $known ? null : $this->changed($known, $version)) ?? $this->made($version);
            apcu_store('table.state', $next);
            apcu_store('table.files', "{$next['release']} {$next['base']} {$next['changes']}");
            $this->tidy();
        } finally {
            apcu_delete('table.making');
        }
    }

    /** @return array{release: string, number: int, catalogue: string} */
    private function version(): array
    {
        $known = apcu_fetch('table.version');
        if (!\is_string($known)) {
            $known = implode(' ', $this->look->version());
            apcu_store('table.version', $known, self::RELEASE_SEEN_AGAIN);
        }
        [$release, $number, $catalogue] = explode(' ', $known) + ['', '0', ''];

        return ['release' => $release, 'number' => (int) $number, 'catalogue' => $catalogue];
    }

    /** The value of a key as it was written; null where there is none, or no table of the latest release. */
    private function raw(string $key): ?string
    {
        $files = apcu_fetch('table.sure');
        if (!\is_string($files)) {
            $state = apcu_fetch('table.files');
            $release = \is_string($state) ? strstr($state, ' ', true) : null;
            if (!\is_string($state) || $release !== $this->version()['release']) {
                return null;
            }
            // That these are the files of the latest release is looked at again within a second.
            $files = substr($state, \strlen((string) $release) + 1);
            apcu_store('table.sure', $files, self::RELEASE_SEEN_AGAIN);
        }
        [$base, $changes] = explode(' ', $files) + ['', ''];
        foreach ('' === $changes ? [$base] : [$changes, $base] as $file) {
            $handle = @dba_popen("{$this->directory}/$file", 'r-', 'cdb');
            $value = false === $handle ? false : dba_fetch($key, $handle);
            if (\is_string($value)) {
                return self::REMOVED === $value ? null : $value;
            }
        }

        return null;
    }

    /**
     * @param array{release: string, number: int, catalogue: string} $version
     *
     * @return array{release: string, base: string, changes: string, number: int, size: int}
     */
    private function made(array $version): array
    {
        $connection = $this->look->connection();
        $name = "addresses-{$version['number']}-".bin2hex(random_bytes(4)).'.cdb';
        $file = $this->create($name);
        $size = 0;
        // One snapshot, so that all of it is of one release.
        $connection->exec('BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY');
        try {
            $connection->exec('DECLARE rules NO SCROLL CURSOR FOR '.self::rules('NOT r.is_prefix'));
            $connection->exec('DECLARE places NO SCROLL CURSOR FOR '.self::places('true'));
            foreach (['rules', 'places'] as $cursor) {
                do {
                    $rows = self::query($connection, 'FETCH '.self::AT_ONCE." FROM $cursor")->fetchAll(\PDO::FETCH_ASSOC);
                    foreach ($rows as $row) {
                        $size += $this->write($file, $row);
                    }
                } while ([] !== $rows);
            }
            $number = (int) self::query($connection, 'SELECT COALESCE(max(number), 0) FROM journal.release')->fetchColumn();
        } finally {
            $connection->exec('ROLLBACK');
            dba_close($file);
        }
        rename("{$this->directory}/$name.part", "{$this->directory}/$name");
        if ($number !== $version['number']) {
            // Something was published meanwhile: the next request looks again.
            self::forgetRelease();
        }

        return ['release' => $number === $version['number'] ? $version['release'] : '', 'base' => $name, 'changes' => '', 'number' => $number, 'size' => $size];
    }

    /**
     * What the releases since the table was made changed in it; null where that is too much.
     *
     * @param array{release: string, base: string, changes: string, number: int, size: int} $state
     * @param array{release: string, number: int, catalogue: string}                          $version
     *
     * @return array{release: string, base: string, changes: string, number: int, size: int}|null
     */
    private function changed(array $state, array $version): ?array
    {
        $connection = $this->look->connection();
        $most = max(self::FEW_CHANGES, intdiv($state['size'], self::SHARE_OF_CHANGES));
        $statement = $connection->prepare(<<<SQL
            WITH changed AS MATERIALIZED (
                SELECT w.table_name, w.row_id, w.before, w.after FROM journal.release_row w JOIN journal.release n ON n.id = w.release_id
                WHERE n.number > :base AND n.number <= :number AND w.table_name IN ('place', 'redirect') LIMIT $most
            ), address AS (
                SELECT before ->> 'address' AS path FROM changed WHERE table_name = 'place' UNION SELECT after ->> 'address' FROM changed WHERE table_name = 'place'
                UNION SELECT before ->> 'source' FROM changed WHERE table_name = 'redirect' UNION SELECT after ->> 'source' FROM changed WHERE table_name = 'redirect'
            )
            SELECT path FROM address WHERE path IS NOT NULL
            UNION SELECT r.source FROM address a JOIN live.redirect r ON r.goal_address = a.path WHERE NOT r.is_prefix
            UNION SELECT r.source FROM changed c JOIN live.redirect r ON r.goal_place_id = c.row_id::uuid WHERE c.table_name = 'place' AND NOT r.is_prefix
            UNION SELECT '#' || row_id FROM changed WHERE table_name = 'place'
            LIMIT $most
            SQL);
        $statement->execute(['base' => $state['number'], 'number' => $version['number']]);
        $keys = array_values(array_filter($statement->fetchAll(\PDO::FETCH_COLUMN), \is_string(...)));
        if (\count($keys) >= $most) {
            return null;
        }
        $name = str_replace('.cdb', "-{$version['number']}-".bin2hex(random_bytes(4)).'.cdb', $state['base']);
        $file = $this->create($name);
        $written = [];
        foreach ([self::rules('NOT r.is_prefix AND r.source IN (SELECT jsonb_array_elements_text(CAST(:keys AS jsonb)))'), self::places("p.address IN (SELECT jsonb_array_elements_text(CAST(:keys AS jsonb))) OR '#' || p.id IN (SELECT jsonb_array_elements_text(CAST(:keys AS jsonb)))")] as $sql) {
            $statement = $connection->prepare($sql);
            $statement->execute(['keys' => json_encode($keys, \JSON_THROW_ON_ERROR)]);
            foreach ($statement->fetchAll(\PDO::FETCH_ASSOC) as $row) {
                $this->write($file, $row, $written);
            }
        }
        foreach (array_diff($keys, array_keys($written)) as $gone) {
            dba_insert($gone, self::REMOVED, $file);
        }
        dba_close($file);
        rename("{$this->directory}/$name.part", "{$this->directory}/$name");

        return ['release' => $version['release'], 'changes' => $name] + $state;
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

    /**
     * @param resource             $file
     * @param array<string, mixed> $row     of rules() or places()
     * @param array<string, true>  $written keys
     *
     * @return int how many addresses were written
     */
    private function write($file, array $row, array &$written = []): int
    {
        /** @var array{p: string|null, r?: string, g?: string|null, goal?: string|null, path: string, id?: string, has_rule?: bool} $row */
        $count = 0;
        if (isset($row['r']) || true !== ($row['has_rule'] ?? true)) {
            $parts = array_filter(['p' => $row['p'], 'r' => $row['r'] ?? null], \is_string(...));
            $value = '{'.implode(',', array_map(static fn (string $name, string $json): string => "\"$name\":$json", array_keys($parts), $parts)).(isset($row['g']) ? ",\"g\":\"{$row['g']}\"" : '').'}';
            dba_insert($row['path'], isset($row['r']) ? self::end($row) ?? $value : $value, $file);
            $written[$row['path']] = true;
            ++$count;
        }
        if (isset($row['id'], $row['p'])) {
            dba_insert("#{$row['id']}", $row['p'], $file);
            $written["#{$row['id']}"] = true;
        }

        return $count;
    }

    /**
     * The status and the end of a redirect, where they are the same at any time.
     *
     * @param array{p: string|null, r?: string, goal?: string|null, path: string} $row
     */
    private static function end(array $row): ?string
    {
        /** @return array<string, mixed>|null */
        $columns = static function (?string $json): ?array {
            /** @var array<string, mixed>|null */
            return null === $json ? null : json_decode($json, true, 8, \JSON_THROW_ON_ERROR);
        };
        $address = Address::fromNormal($row['path']);
        $around = Neighbourhood::of($address, '', $columns($row['p']), $columns($row['r'] ?? null), $columns($row['goal'] ?? null));
        try {
            $answer = (new Answerer($around, $around))->answer($address->encoded(), Visitor::guest(new \DateTimeImmutable()));
        } catch (OutOfSight) {
            return null;
        }

        return null === $answer->location || null !== $answer->changesAt ? null : self::HOP.$answer->status.' '.$answer->location;
    }

    private static function query(\PDO $connection, string $sql): \PDOStatement
    {
        return $connection->query($sql) ?: throw new \LogicException('A statement that was not made.');
    }

    /** Redirects with what stands at their source, and the id of the place that they lead to. */
    private static function rules(string $where): string
    {
        $rule = self::object('r', self::RULE);
        $place = self::object('p', self::PLACE);
        $goal = self::object('g', self::PLACE);

        return <<<SQL
            SELECT r.source AS path, $rule AS r, CASE WHEN p.id IS NOT NULL THEN $place END AS p, g.id AS g, CASE WHEN g.id IS NOT NULL THEN $goal END AS goal
            FROM live.redirect r LEFT JOIN live.place p ON p.address = r.source
            LEFT JOIN live.place g ON g.id = COALESCE(r.goal_place_id, (SELECT id FROM live.place WHERE address = r.goal_address))
            WHERE $where
            SQL;
    }

    /** Places, and whether a redirect stands at their address, which then tells of them. */
    private static function places(string $where): string
    {
        $place = self::object('p', self::PLACE);

        return "SELECT p.address AS path, p.id, $place AS p, EXISTS (SELECT FROM live.redirect r WHERE r.source = p.address AND NOT r.is_prefix) AS has_rule FROM live.place p WHERE $where";
    }

    /** A row as JSON, without what says nothing. */
    private static function object(string $alias, string $columns): string
    {
        $pairs = array_map(static fn (string $column): string => "'$column', $alias.$column", explode(', ', "id, $columns"));

        return 'CAST(json_strip_nulls(json_build_object('.implode(', ', $pairs).')) AS text)';
    }

    /** Takes away the files of earlier releases; processes that have them open may go on reading. */
    private function tidy(): void
    {
        $state = apcu_fetch('table.state');
        foreach (glob("{$this->directory}/addresses-*") ?: [] as $file) {
            // A part that is left over from a process that was ended is in nobody's way, and goes, too.
            if (\is_array($state) && !\in_array(basename($file), [$state['base'], $state['changes']], true) && filemtime($file) < time() - 60) {
                @unlink($file);
            }
        }
    }
}

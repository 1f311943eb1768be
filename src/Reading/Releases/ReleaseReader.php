<?php

declare(strict_types=1);

namespace Lantern\Reading\Releases;

use Doctrine\DBAL\Connection;
use Lantern\Core\Release\Comparison;
use Lantern\Core\Release\Difference;
use Lantern\Core\Release\WaitingChange;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * What waits, and what went out. The triggers of the workbench name the rows that may differ, so the work
 * is in step with what changed and not with the size of the shop.
 */
final readonly class ReleaseReader
{
    public const TABLES = ['place', 'words', 'pick', 'menu', 'entry', 'bay', 'redirect', 'setting'];

    /** The order in which things are told that are too many to be told together. */
    private const TOLD = ['bay', 'setting', 'menu', 'entry', 'place', 'words', 'pick', 'redirect'];

    /** Tables whose ids are words; those of the others are UUIDs. */
    public const NAMED_TABLES = ['bay', 'setting'];

    /** So many rows that differ are told all together; of more, a part at a time. */
    private const WHOLE = 1000;
    private const PART = 300;
    private const PARTS_LOOKED_THROUGH = 12;

    /** Columns that say who changed a row and when; a row that differs in nothing else does not wait. */
    private const BOOKKEEPING = "'version', 'changed_at', 'changed_by'";

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /**
     * What waits: all of it, or the part that follows a row. Which rows differ is found out for that part only.
     *
     * @param RowKey|null $after the last row of the part before
     */
    public function waiting(?RowKey $after = null): Waiting
    {
        $counts = [];
        $sum = 0;
        foreach ($this->connection->fetchAllAssociative(<<<'SQL'
            SELECT table_name, count(*) AS rows, sum(at) AS sum FROM journal.touched GROUP BY table_name
            SQL) as $columns) {
            $row = new Row($columns);
            $counts[$row->text('table_name')] = $row->int('rows');
            $sum += $row->int('sum');
        }
        $touched = array_sum($counts);
        if ($touched <= self::WHOLE) {
            return new Waiting($this->changes($this->differences()), 0, 0, null, "$touched.$sum");
        }
        $left = $touched - $this->before($counts, $after);
        for ($parts = 0, $changes = [], $last = $after; [] === $changes && $left > 0 && $parts < self::PARTS_LOOKED_THROUGH; ++$parts) {
            // Where what was edited has been put back, what follows is looked at, too.
            $part = $this->part('SELECT table_name, row_id FROM journal.touched', [], $last);
            $changes = $this->changes($this->differencesAmong($part));
            $left -= \count($part);
            $last = [] === $part ? null : $part[\count($part) - 1];
        }

        // Redirects are told last.
        return new Waiting($changes, $left, min($left, $counts['redirect'] ?? 0), 0 === $left ? null : $last, "$touched.$sum");
    }

    /** How many rows were edited since the last release. */
    public function countEdited(): int
    {
        $count = $this->connection->fetchOne('SELECT count(*) FROM journal.touched');

        return is_numeric($count) ? (int) $count : 0;
    }

    /** Names the state of the workbench: every edit that is kept makes it another one, in whatever order they are kept. */
    public function state(): string
    {
        $state = $this->connection->fetchOne("SELECT count(*) || '.' || COALESCE(sum(at), 0) FROM journal.touched");

        return \is_string($state) ? $state : '';
    }

    /** @return list<RowChange> every row that differs */
    private function differences(): array
    {
        $parts = array_map(static fn (string $table): string => \sprintf(<<<'SQL'
            (SELECT * FROM (%s) d WHERE before IS DISTINCT FROM after)
            SQL, self::differenceOf($table)), self::TABLES);

        return array_map(
            self::rowChange(...),
            $this->connection->fetchAllAssociative(implode(' UNION ALL ', $parts).' ORDER BY table_name, row_id'),
        );
    }

    /**
     * @param list<RowKey> $rows
     *
     * @return list<RowChange> those of them that differ
     */
    private function differencesAmong(array $rows): array
    {
        $parts = $parameters = [];
        foreach ($rows as $row) {
            $parameters[$row->table][] = $row->id;
        }
        foreach (array_keys($parameters) as $table) {
            $parts[] = \sprintf(<<<'SQL'
                (SELECT * FROM (%s) d WHERE before IS DISTINCT FROM after)
                SQL, self::differenceOf($table)." AND t.row_id = ANY (CAST(:$table AS text[]))");
        }

        return [] === $parts
            ? []
            : array_map(
                self::rowChange(...),
                $this->connection->fetchAllAssociative(
                    implode(' UNION ALL ', $parts).' ORDER BY table_name, row_id',
                    array_map(PgArray::of(...), $parameters),
                ),
            );
    }

    /**
     * @param string               $rows       a query for names of tables and ids of rows
     * @param array<string, mixed> $parameters
     *
     * @return list<RowKey> the next, in the order of tables that people are told things in
     */
    private function part(string $rows, array $parameters, ?RowKey $after): array
    {
        $part = [];
        foreach (self::TOLD as $nth => $table) {
            if (null !== $after && $nth < array_search($after->table, self::TOLD, true)) {
                continue;
            }
            $sql = "SELECT row_id FROM ($rows) r WHERE r.table_name = :table AND r.row_id > :after ORDER BY r.row_id LIMIT "
                .(self::PART - \count($part));
            foreach ($this->connection->fetchFirstColumn(
                $sql,
                ['table' => $table, 'after' => $table === $after?->table ? $after->id : ''] + $parameters,
            ) as $id) {
                $part[] = new RowKey($table, \is_string($id) ? $id : '');
            }
            if (\count($part) >= self::PART) {
                break;
            }
        }

        return $part;
    }

    /**
     * How many rows come before a part.
     *
     * @param array<string, int> $counts by table
     */
    private function before(array $counts, ?RowKey $after): int
    {
        if (null === $after) {
            return 0;
        }
        $earlier = \array_slice(self::TOLD, 0, (int) array_search($after->table, self::TOLD, true));
        $within = $this->connection->fetchOne(<<<'SQL'
            SELECT count(*) FROM journal.touched WHERE table_name = ? AND row_id <= ?
            SQL, [$after->table, $after->id]);

        return (int) array_sum(array_intersect_key($counts, array_flip($earlier))) + (is_numeric($within) ? (int) $within : 0);
    }

    /**
     * @param list<RowChange> $rows
     *
     * @return list<WaitingChange>
     */
    public function changes(array $rows): array
    {
        $names = $this->names($rows);

        return Comparison::changes(array_map(static fn (RowChange $row): Difference => $row->difference($names), $rows));
    }

    /** @return list<ReleaseNote> the latest releases, newest first */
    public function releases(int $most = 50): array
    {
        return $this->notes('ORDER BY number DESC LIMIT '.$most);
    }

    public function release(int $number): ?ReleaseNote
    {
        return $this->notes('WHERE number = ?', [$number])[0] ?? null;
    }

    /**
     * What a release changed: all of it, or the part that follows a row.
     *
     * @param RowKey|null $after the last row of the part before
     */
    public function changesOf(int $number, ?RowKey $after = null): ReleasedPart
    {
        $id = $this->connection->fetchOne('SELECT id FROM journal.release WHERE number = ?', [$number]);
        $parameters = ['release' => \is_string($id) ? $id : null];
        // The primary key has them in this order.
        $of = 'SELECT r.table_name, r.row_id, r.before, r.after FROM journal.release_row r WHERE r.release_id = CAST(:release AS uuid)';
        $most = self::WHOLE + 1;
        $rows = null === $after
            ? array_map(
                self::rowChange(...),
                $this->connection->fetchAllAssociative("$of ORDER BY r.table_name, r.row_id LIMIT $most", $parameters),
            )
            : [];
        if (null === $after && \count($rows) <= self::WHOLE) {
            return new ReleasedPart($this->changes($rows), null);
        }
        $part = $this->part($of, $parameters, $after);
        $ids = [];
        foreach ($part as $row) {
            $ids[$row->table][] = $row->id;
        }
        $rows = [];
        foreach ($ids as $table => $some) {
            $rows = [
                ...$rows,
                ...array_map(
                    self::rowChange(...),
                    $this->connection->fetchAllAssociative(
                        "$of AND r.table_name = :table AND r.row_id = ANY (CAST(:ids AS text[])) ORDER BY r.row_id",
                        $parameters + ['table' => $table, 'ids' => PgArray::of($some)],
                    ),
                ),
            ];
        }

        return new ReleasedPart($this->changes($rows), \count($part) < self::PART ? null : $part[\count($part) - 1]);
    }

    /** In a line, what a release changes. */
    public function summaryOf(string $releaseId): string
    {
        $first = array_map(
            self::rowChange(...),
            $this->connection->fetchAllAssociative(
                <<<'SQL'
                    SELECT table_name, row_id, before, after FROM journal.release_row WHERE release_id = ? AND table_name <> 'redirect'
                    ORDER BY table_name, row_id LIMIT
                    SQL
                    .' '.self::WHOLE,
                [$releaseId],
            ),
        );
        $counts = new Row($this->connection->fetchAssociative(<<<'SQL'
            SELECT count(*) FILTER (WHERE table_name = 'redirect') AS redirects, count(DISTINCT CASE table_name
                WHEN 'redirect' THEN NULL WHEN 'bay' THEN 'bay' WHEN 'setting' THEN 'setting' WHEN 'words' THEN 'place ' || row_id
                WHEN 'entry' THEN 'menu ' || (COALESCE(after, before) ->> 'menu_id')
                WHEN 'pick' THEN 'place ' || (COALESCE(after, before) ->> 'collection_id')
                ELSE table_name || ' ' || row_id
            END) AS things FROM journal.release_row WHERE release_id = ?
            SQL, [$releaseId]) ?: []);
        $changes = $this->changes($first);

        return Comparison::summary($changes, $counts->int('redirects'), max(0, $counts->int('things') - \count($changes)));
    }

    /** A query for the rows of a table that were touched, each as it is on live and on the workbench. */
    public static function differenceOf(string $table): string
    {
        $id = \in_array($table, self::NAMED_TABLES, true) ? 't.row_id' : 't.row_id::uuid';

        return \sprintf(<<<'SQL'
            SELECT t.table_name, t.row_id, to_jsonb(l) - ARRAY[%1$s] AS before, to_jsonb(w) - ARRAY[%1$s] AS after
            FROM journal.touched t
            LEFT JOIN workbench.%2$s w ON w.id = %3$s
            LEFT JOIN live.%2$s l ON l.id = %3$s
            WHERE t.table_name = '%2$s'
            SQL, self::BOOKKEEPING, $table, $id);
    }

    /**
     * @param list<int> $parameters
     *
     * @return list<ReleaseNote>
     */
    private function notes(string $which, array $parameters = []): array
    {
        return array_map(static function (array $columns): ReleaseNote {
            $row = new Row($columns);

            return new ReleaseNote(
                $row->int('number'),
                new \DateTimeImmutable($row->text('released_at')),
                $row->text('released_by'),
                $row->text('summary'),
            );
        }, $this->connection->fetchAllAssociative(<<<SQL
            SELECT number, released_at, released_by, summary FROM journal.release $which
            SQL, $parameters));
    }

    /** @param array<string, mixed> $columns */
    private static function rowChange(array $columns): RowChange
    {
        $row = new Row($columns);

        return new RowChange(
            $row->text('table_name'),
            $row->text('row_id'),
            Row::columns($row->textOrNull('before')),
            Row::columns($row->textOrNull('after')),
        );
    }

    /**
     * @param list<RowChange> $rows
     *
     * @return array<string, string> titles and names by id
     */
    private function names(array $rows): array
    {
        $ids = [];
        foreach ($rows as $row) {
            foreach ([$row->id, ...$row->refersTo()] as $id) {
                if (36 === \strlen($id)) {
                    $ids[$id] = true;
                }
            }
        }
        $names = [];
        $sql = <<<'SQL'
            SELECT id, title AS name FROM place WHERE id = ANY (CAST(:ids AS uuid[])) UNION ALL SELECT id, name FROM menu
            WHERE id = ANY (CAST(:ids AS uuid[]))
            SQL;
        foreach ($this->connection->fetchAllKeyValue($sql, ['ids' => '{'.implode(',', array_keys($ids)).'}']) as $id => $name) {
            $names[(string) $id] = \is_string($name) ? $name : '';
        }

        return $names;
    }
}

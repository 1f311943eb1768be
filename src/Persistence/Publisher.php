<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Lantern\Core\Refused;
use Lantern\Core\Release\Comparison;
use Lantern\Core\Release\RowChange;
use Lantern\Core\Release\WaitingChange;
use Lantern\Core\Words\Blank;
use Lantern\Core\Words\Words;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/**
 * Compares the workbench with live, and makes live what waits. The triggers of the workbench name the
 * rows that may differ, so the work is in step with what changed and not with the size of the shop.
 */
final readonly class Publisher
{
    private const TABLES = ['place', 'words', 'pick', 'menu', 'entry', 'bay', 'redirect', 'setting'];

    /** So many redirects that wait are told one by one; of more, how many. */
    private const TOLD_REDIRECTS = 300;

    /** Tables whose ids are words; those of the others are UUIDs. */
    public const NAMED_TABLES = ['bay', 'setting'];

    /** Columns that say who changed a row and when; a row that differs in nothing else does not wait. */
    private const BOOKKEEPING = "'version', 'changed_at', 'changed_by'";

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private ClockInterface $clock,
    ) {
    }

    /** @return list<WaitingChange> all, but of very many redirects only some; see redirectsUntold() */
    public function waiting(): array
    {
        $rows = $this->differences();

        return (new Comparison($this->names($rows)))->changes($rows);
    }

    /**
     * How many redirects wait besides those that are told one by one.
     *
     * @param list<WaitingChange> $told
     */
    public function redirectsUntold(array $told): int
    {
        $some = \count(array_filter($told, static fn (WaitingChange $change): bool => 'redirect' === $change->kind));

        return $some < self::TOLD_REDIRECTS ? 0 : $this->countDifferences('redirect') - $some;
    }

    /**
     * Makes everything that waits live, in one transaction: a visitor gets the old state or the new one.
     *
     * @return int|null the number of the release; null where nothing waited
     *
     * @throws Refused where the result would not be in order
     */
    public function publish(string $by): ?int
    {
        $number = $this->connection->transactional(function () use ($by): ?int {
            // One at a time; and what is edited meanwhile waits for the next.
            $this->connection->executeStatement("SELECT pg_advisory_xact_lock(hashtext('lantern publish'))");
            $this->connection->executeStatement('LOCK TABLE journal.touched IN SHARE ROW EXCLUSIVE MODE');
            $rows = $this->differences();
            if ([] === $rows) {
                return null;
            }
            $this->refuseWhatIsNotInOrder($rows);
            $this->refuseEmptyBlanks($rows);
            $changes = (new Comparison($this->names($rows)))->changes($rows);
            $number = $this->record(array_values(array_filter($rows, static fn (RowChange $row): bool => 'redirect' !== $row->table)), Comparison::summary($changes, $this->redirectsUntold($changes)), $by);
            $this->connection->executeStatement('SET CONSTRAINTS ALL DEFERRED');
            foreach (self::TABLES as $table) {
                if ('redirect' === $table) {
                    $this->carryRedirectsOver($number);
                } else {
                    $this->carryOver($table, array_values(array_filter($rows, static fn (RowChange $row): bool => $row->table === $table)));
                }
            }
            $this->connection->executeStatement('DELETE FROM journal.touched');

            return $number;
        });
        NodeTable::forgetRelease();

        return $number;
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

    /** @return list<WaitingChange> what a release changed */
    public function changesOf(int $number): array
    {
        $rows = array_map(self::rowChange(...), $this->connection->fetchAllAssociative('SELECT r.table_name, r.row_id, r.before, r.after FROM journal.release_row r JOIN journal.release n ON n.id = r.release_id WHERE n.number = ? ORDER BY r.table_name, r.row_id LIMIT 2000', [$number]));

        return (new Comparison($this->names($rows)))->changes($rows);
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

            return new ReleaseNote($row->int('number'), new \DateTimeImmutable($row->text('released_at')), $row->text('released_by'), $row->text('summary'));
        }, $this->connection->fetchAllAssociative("SELECT number, released_at, released_by, summary FROM journal.release $which", $parameters));
    }

    /** @return list<RowChange> */
    private function differences(): array
    {
        $parts = array_map(static fn (string $table): string => \sprintf(
            '(SELECT * FROM (%s) d WHERE before IS DISTINCT FROM after%s)',
            self::differenceOf($table),
            'redirect' === $table ? ' LIMIT '.self::TOLD_REDIRECTS : '',
        ), self::TABLES);
        $rows = $this->connection->fetchAllAssociative(implode(' UNION ALL ', $parts).' ORDER BY table_name, row_id');

        return array_map(self::rowChange(...), $rows);
    }

    private function countDifferences(string $table): int
    {
        $count = $this->connection->fetchOne(\sprintf('SELECT count(*) FROM (%s) d WHERE before IS DISTINCT FROM after', self::differenceOf($table)));

        return is_numeric($count) ? (int) $count : 0;
    }

    /** A query for the rows of a table that were touched, each as it is on live and on the workbench. */
    private static function differenceOf(string $table): string
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

    /** @param array<string, mixed> $columns */
    private static function rowChange(array $columns): RowChange
    {
        $row = new Row($columns);
        /** @var array<string, mixed>|null $before */
        $before = null === $row->textOrNull('before') ? null : $row->json('before');
        /** @var array<string, mixed>|null $after */
        $after = null === $row->textOrNull('after') ? null : $row->json('after');

        return new RowChange($row->text('table_name'), $row->text('row_id'), $before, $after);
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
            foreach ([$row->id, ...array_map($row->value(...), ['menu_id', 'place_id', 'collection_id', 'goal_place_id'])] as $id) {
                if (\is_string($id)) {
                    $ids[$id] = true;
                }
            }
        }
        $names = [];
        $sql = 'SELECT id, title AS name FROM place WHERE id = ANY (CAST(:ids AS uuid[])) UNION ALL SELECT id, name FROM menu WHERE id = ANY (CAST(:ids AS uuid[]))';
        $uuids = array_filter(array_map(strval(...), array_keys($ids)), static fn (string $id): bool => 36 === \strlen($id));
        foreach ($this->connection->fetchAllKeyValue($sql, ['ids' => '{'.implode(',', $uuids).'}']) as $id => $name) {
            $names[(string) $id] = \is_string($name) ? $name : '';
        }

        return $names;
    }

    /** @param list<RowChange> $rows */
    private function refuseWhatIsNotInOrder(array $rows): void
    {
        $removed = array_values(array_map(
            static fn (RowChange $row): string => $row->id,
            array_filter($rows, static fn (RowChange $row): bool => 'place' === $row->table && $row->isRemoved()),
        ));
        $entries = array_values(array_map(
            static fn (RowChange $row): string => $row->id,
            array_filter($rows, static fn (RowChange $row): bool => 'entry' === $row->table && !$row->isRemoved()),
        ));
        $label = $this->connection->fetchOne(<<<'SQL'
            SELECT COALESCE(e.label, 'an entry without a label') || '” in “' || m.name
            FROM entry e JOIN menu m ON m.id = e.menu_id
            WHERE (e.id IN (:entries) OR e.place_id IN (:removed)) AND e.target_kind = 'place'
                AND NOT EXISTS (SELECT FROM place p WHERE p.id = e.place_id)
            LIMIT 1
            SQL, ['entries' => $entries, 'removed' => $removed], ['entries' => ArrayParameterType::STRING, 'removed' => ArrayParameterType::STRING]);
        if (\is_string($label)) {
            throw new Refused('release', "“{$label}” leads to a place that is no longer there. Choose another place for it, or take it out, then publish.");
        }
    }

    /**
     * A text that visitors can read has no blank that nothing fills.
     *
     * @param list<RowChange> $rows
     */
    private function refuseEmptyBlanks(array $rows): void
    {
        $written = array_values(array_map(
            static fn (RowChange $row): string => $row->id,
            array_filter($rows, static fn (RowChange $row): bool => \in_array($row->table, ['words', 'place'], true) && !$row->isRemoved()),
        ));
        $detailsChanged = [] !== array_filter($rows, static fn (RowChange $row): bool => 'setting' === $row->table);
        $texts = $this->connection->fetchAllAssociative(<<<'SQL'
            SELECT p.title, w.html FROM place p JOIN words w ON w.id = p.id
            WHERE p.light <> 'closed' AND (p.id IN (:written) OR :all AND p.kind = 'policy') AND w.html LIKE '%<span data-blank=%'
            ORDER BY p.title
            SQL, ['written' => $written, 'all' => $detailsChanged], ['written' => ArrayParameterType::STRING, 'all' => ParameterType::BOOLEAN]);
        $details = [] === $texts ? [] : (new ShopReader($this->connection))->settings();
        foreach ($texts as $columns) {
            $row = new Row($columns);
            $empty = array_map(static fn (Blank $blank): string => $blank->words(), (new Words($row->text('html')))->emptyBlanks($details));
            if ([] !== $empty) {
                throw new Refused('release', \sprintf('“%s” still has %s: %s. Fill %s in the shop’s details, or take %s out of the text, then publish.', $row->text('title'), 1 === \count($empty) ? 'an empty blank' : \count($empty).' empty blanks', implode(', ', $empty), 1 === \count($empty) ? 'it' : 'them', 1 === \count($empty) ? 'it' : 'them'));
            }
        }
    }

    /** @param list<RowChange> $rows */
    private function record(array $rows, string $summary, string $by): int
    {
        $id = (new UuidV7())->toRfc4122();
        $number = $this->connection->fetchOne('INSERT INTO journal.release (id, number, released_at, released_by, summary) SELECT ?, COALESCE(max(number), 0) + 1, ?, ?, ? FROM journal.release RETURNING number', [$id, $this->clock->now()->format(\DATE_ATOM), $by, $summary]);
        $this->connection->executeStatement(
            'INSERT INTO journal.release_row (release_id, table_name, row_id, before, after) SELECT ?, r.table_name, r.row_id, r.before, r.after FROM jsonb_to_recordset(CAST(? AS jsonb)) AS r(table_name text, row_id text, before jsonb, after jsonb)',
            [$id, json_encode(array_map(static fn (RowChange $row): array => ['table_name' => $row->table, 'row_id' => $row->id, 'before' => $row->before, 'after' => $row->after], $rows), \JSON_THROW_ON_ERROR)],
        );

        return is_numeric($number) ? (int) $number : throw new \LogicException('The release got no number.');
    }

    /** Redirects come by the hundred thousand, so what differs stays in the database. */
    private function carryRedirectsOver(int $release): void
    {
        $this->connection->executeStatement(\sprintf(
            'INSERT INTO journal.release_row (release_id, table_name, row_id, before, after) SELECT n.id, d.table_name, d.row_id, d.before, d.after FROM (%s) d, journal.release n WHERE n.number = ? AND d.before IS DISTINCT FROM d.after',
            self::differenceOf('redirect'),
        ), [$release]);
        $changed = "SELECT r.row_id::uuid FROM journal.release_row r JOIN journal.release n ON n.id = r.release_id WHERE n.number = ? AND r.table_name = 'redirect' AND r.after IS ";
        $this->connection->executeStatement("DELETE FROM live.redirect WHERE id IN ({$changed}NULL)", [$release]);
        $this->connection->executeStatement("INSERT INTO live.redirect SELECT * FROM workbench.redirect WHERE id IN ({$changed}NOT NULL) ON CONFLICT (id) DO UPDATE SET {$this->setOf('redirect')}", [$release]);
    }

    /** Every column of a table but its id, to be set to what comes in. */
    private function setOf(string $table): string
    {
        $columns = array_filter(
            $this->connection->fetchFirstColumn("SELECT column_name FROM information_schema.columns WHERE table_schema = 'workbench' AND table_name = ? ORDER BY ordinal_position", [$table]),
            static fn (mixed $column): bool => \is_string($column) && 'id' !== $column,
        );

        return implode(', ', array_map(static fn (string $column): string => "$column = excluded.$column", $columns));
    }

    /** @param list<RowChange> $rows all of one table */
    private function carryOver(string $table, array $rows): void
    {
        $removed = $kept = [];
        foreach ($rows as $row) {
            if ($row->isRemoved()) {
                $removed[] = $row->id;
            } else {
                $kept[] = $row->id;
            }
        }
        if ([] !== $removed) {
            $this->connection->executeStatement("DELETE FROM live.$table WHERE id IN (?)", [$removed], [ArrayParameterType::STRING]);
        }
        if ([] !== $kept) {
            $set = $this->setOf($table);
            foreach (array_chunk($kept, 5000) as $some) {
                $this->connection->executeStatement("INSERT INTO live.$table SELECT * FROM workbench.$table WHERE id IN (?) ON CONFLICT (id) DO UPDATE SET $set", [$some], [ArrayParameterType::STRING]);
            }
        }
    }
}

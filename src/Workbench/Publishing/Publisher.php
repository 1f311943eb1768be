<?php

declare(strict_types=1);

namespace Lantern\Workbench\Publishing;

use Doctrine\DBAL\Connection;
use Lantern\Core\Person\Actor;
use Lantern\Core\Release\ChangedSince;
use Lantern\Core\Release\Fault;
use Lantern\Core\Release\NotInOrder;
use Lantern\Reading\Releases\ChangedReader;
use Lantern\Reading\Releases\ReleaseReader;
use Lantern\Workbench\Audit\AuditLog;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\Progress;
use Psr\Clock\ClockInterface;
use Psr\EventDispatcher\EventDispatcherInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/**
 * Compares the workbench with live, and makes live what waits. The triggers of the workbench name the
 * rows that may differ, so the work is in step with what changed and not with the size of the shop.
 */
final readonly class Publisher
{
    /** So many rows are judged together; where more have changed, by parts, in flat memory. */
    private const JUDGED_AT_ONCE = 2000;

    /** After so many, statistics are made anew. */
    private const MANY = 5000;

    /**
     * Menus, where they hang, what they lead to, what those that fill themselves could show, and whatever else stands around every page.
     */
    private const TOUCHES_THE_FRAME = <<<'SQL'
        (EXISTS (SELECT FROM journal.release_row r WHERE r.release_id = :release AND (r.table_name IN ('bay', 'setting')
            OR r.table_name = 'menu' AND COALESCE(r.after, r.before) ->> 'kind' <> 'page' OR r.table_name = 'entry'
                AND COALESCE(r.after, r.before) ->> 'on_page' IS NULL))
        OR EXISTS (SELECT FROM workbench.entry e JOIN journal.release_row r ON r.row_id = e.place_id::text WHERE e.on_page IS NULL
            AND r.release_id = :release AND r.table_name = 'place')
        OR EXISTS (SELECT FROM workbench.entry e WHERE e.on_page IS NULL
            AND (e.filling IS NOT NULL OR e.piece ->> 'kind' IN ('products', 'cards'))) AND EXISTS (
            SELECT FROM journal.release_row r WHERE r.release_id = :release
                AND (r.table_name = 'pick' OR r.table_name = 'place' AND EXISTS (
                SELECT FROM unnest(ARRAY['kind', 'title', 'address', 'parent_id', 'position', 'light', 'opens_on', 'closes_on',
                    'audience', 'published_on', 'rule']) AS which
                WHERE r.before -> which IS DISTINCT FROM r.after -> which
            ))
        ))
        SQL;

    /**
     * The parts of the frame (header with drawer and panels; footer; beside the pages of a group) that a release touched, so that each is
     * made anew only then. Where it is not certain, a part is taken to be touched.
     */
    private const PARTS_OF_THE_FRAME = <<<'SQL'
        ARRAY(
            WITH changed AS (SELECT * FROM journal.release_row WHERE release_id = :release), moved AS (
                SELECT FROM changed r WHERE r.table_name = 'pick' OR r.table_name = 'place' AND EXISTS (
                    SELECT FROM unnest(ARRAY['kind', 'title', 'address', 'parent_id', 'position', 'light', 'opens_on', 'closes_on',
                        'audience', 'published_on', 'rule']) AS which
                    WHERE r.before -> which IS DISTINCT FROM r.after -> which
                )
            ), menus AS (
                SELECT CAST(r.before ->> 'menu_id' AS uuid) AS id FROM changed r WHERE r.table_name = 'entry'
                    AND COALESCE(r.after, r.before) ->> 'on_page' IS NULL
                UNION SELECT CAST(r.after ->> 'menu_id' AS uuid) FROM changed r WHERE r.table_name = 'entry'
                    AND COALESCE(r.after, r.before) ->> 'on_page' IS NULL
                UNION SELECT CAST(r.row_id AS uuid) FROM changed r WHERE r.table_name = 'menu'
                    AND COALESCE(r.after, r.before) ->> 'kind' <> 'page'
                UNION SELECT e.menu_id FROM workbench.entry e JOIN changed r ON r.table_name = 'place' AND r.row_id = e.place_id::text
                    WHERE e.on_page IS NULL
                UNION SELECT e.menu_id FROM workbench.entry e WHERE EXISTS (SELECT FROM moved) AND e.on_page IS NULL
                    AND (e.filling IS NOT NULL OR e.narrowing IS NOT NULL
                        OR e.piece ->> 'kind' IN ('products', 'product', 'cards', 'file') OR e.piece ->> 'html' LIKE '%place:%')
            )
            SELECT DISTINCT part FROM (
                SELECT CASE WHEN m.kind = 'panel' THEN 'header' WHEN m.kind = 'column' OR b.id LIKE 'footer-%'
                    OR b.id = 'last-line' THEN 'footer' WHEN b.beside IS NOT NULL THEN 'beside' ELSE 'header' END AS part
                FROM menus t JOIN workbench.menu m ON m.id = t.id LEFT JOIN workbench.bay b ON b.menu_id = m.id WHERE m.kind <> 'menu'
                    OR b.id IS NOT NULL
                UNION ALL SELECT 'beside' FROM workbench.bay WHERE beside IS NOT NULL AND EXISTS (SELECT FROM moved)
                UNION ALL SELECT unnest(ARRAY['header', 'footer', 'beside'])
                    WHERE EXISTS (SELECT FROM changed WHERE table_name = 'bay' OR table_name = 'setting' AND row_id <> 'notice')
                    OR EXISTS (SELECT FROM menus t WHERE t.id IS NOT NULL AND NOT EXISTS (SELECT FROM workbench.menu m WHERE m.id = t.id))
            ) parts
        )
        SQL;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private ReleaseReader $reader,
        private ChangedReader $changed,
        private ClockInterface $clock,
        private EventDispatcherInterface $events,
        private AuditLog $audit,
        private Locks $locks,
    ) {
    }

    /**
     * Makes everything that waits live, in one transaction: a visitor gets the old state or the new one.
     *
     * @param string|null               $seen     the state that whoever publishes has seen, see Waiting::$state; null: whatever waits
     * @param (\Closure(int): void)|null $together what is kept together with the release, given its number
     *
     * @return int|null the number of the release; null where nothing waited
     *
     * @throws NotInOrder where the result would not be in order
     * @throws ChangedSince where something was edited since it was seen
     */
    public function publish(Actor $by, ?string $seen = null, Progress $progress = new Progress(), ?\Closure $together = null): ?int
    {
        $many = false;
        $number = $this->connection->transactional(function () use ($by, $seen, $progress, $together, &$many): ?int {
            // One at a time; and what is edited meanwhile waits for the next.
            $this->locks->take(Lock::Publish);
            $this->connection->executeStatement('LOCK TABLE journal.touched IN SHARE ROW EXCLUSIVE MODE');
            if (null !== $seen && $seen !== $this->reader->state()) {
                throw new ChangedSince();
            }
            [$id, $number] = $this->begin($by);
            $changed = $this->recordWhatDiffers($id, $progress);
            if (0 === $changed) {
                // Nothing of what was edited differs any more, or nothing was.
                $this->connection->executeStatement('DELETE FROM journal.release WHERE id = ?', [$id]);
                $this->connection->executeStatement('DELETE FROM journal.touched');

                return null;
            }
            $this->refuseWhatIsNotInOrder($id, $changed, $progress);
            $this->connection->executeStatement(
                'UPDATE journal.release SET summary = :summary, frame = '.self::TOUCHES_THE_FRAME.', frame_parts = '
                    .self::PARTS_OF_THE_FRAME.' WHERE id = :release',
                ['summary' => $this->reader->summaryOf($id), 'release' => $id],
            );
            $this->connection->executeStatement('SET CONSTRAINTS ALL DEFERRED');
            $progress->enter('Carrying over', \count(ReleaseReader::TABLES));
            foreach (ReleaseReader::TABLES as $table) {
                $this->carryOver($table, $id);
                $progress->advance(tell: true);
            }
            $this->connection->executeStatement('DELETE FROM journal.touched');
            $many = $changed > self::MANY;
            // What was published is what was asked for.
            $this->connection->executeStatement('DELETE FROM journal.release_request');
            $this->audit->add($by, 'published', ['release' => $number]);
            if (null !== $together) {
                $together($number);
            }

            return $number;
        });
        if ($many) {
            $this->measureAnew();
        }
        if (null !== $number) {
            $this->events->dispatch(new Released($number, $by->name));
        }

        return $number;
    }

    /** @return array{string, int} id and number of the release */
    private function begin(Actor $by): array
    {
        $id = (new UuidV7())->toRfc4122();
        $number = $this->connection->fetchOne(<<<'SQL'
            INSERT INTO journal.release (id, number, released_at, released_by, released_by_id, summary)
            SELECT ?, COALESCE(max(number), 0) + 1, ?, ?, ?, '' FROM journal.release RETURNING number
            SQL, [$id, $this->clock->now()->format(\DATE_ATOM), $by->name, $by->id]);

        return [$id, is_numeric($number) ? (int) $number : throw new \LogicException('The release got no number.')];
    }

    /** What differs stays in the database, however much it is. */
    private function recordWhatDiffers(string $releaseId, Progress $progress): int
    {
        $rows = 0;
        $progress->enter('Comparing', \count(ReleaseReader::TABLES));
        foreach (ReleaseReader::TABLES as $table) {
            $rows += (int) $this->connection->executeStatement(\sprintf(
                <<<'SQL'
                    INSERT INTO journal.release_row (release_id, table_name, row_id, before, after)
                    SELECT CAST(? AS uuid), d.table_name, d.row_id, d.before, d.after FROM (%s) d WHERE d.before IS DISTINCT
                    FROM d.after
                    SQL,
                ReleaseReader::differenceOf($table),
            ), [$releaseId]);
            $progress->advance(tell: true);
        }

        return $rows;
    }

    private function refuseWhatIsNotInOrder(string $releaseId, int $changed, Progress $progress): void
    {
        $progress->enter('Judging', $changed);
        $together = [];
        foreach (ReleaseReader::TABLES as $table) {
            $after = '';
            do {
                // An entry that is gone leads nowhere; a place that is gone may be missed.
                $ids = array_values(array_filter($this->connection->fetchFirstColumn(
                    <<<'SQL'
                        SELECT row_id FROM journal.release_row WHERE release_id = ? AND table_name = ? AND row_id > ?
                        AND (after IS NOT NULL OR table_name = 'place') ORDER BY row_id LIMIT
                        SQL
                        .' '.self::JUDGED_AT_ONCE,
                    [$releaseId, $table, $after],
                ), \is_string(...)));
                if ($changed <= self::JUDGED_AT_ONCE) {
                    $together[$table] = $ids;
                } elseif ([] !== $ids) {
                    $this->refuse($this->changed->faults([$table => $ids]));
                    $progress->advance(\count($ids), tell: true);
                }
                $after = end($ids);
            } while (self::JUDGED_AT_ONCE === \count($ids) && false !== $after);
        }
        if ([] !== $together) {
            $this->refuse($this->changed->faults($together));
        }
    }

    /** @param list<Fault> $faults */
    private function refuse(array $faults): void
    {
        if ([] !== $faults) {
            throw new NotInOrder('release', $faults);
        }
    }

    private function carryOver(string $table, string $releaseId): void
    {
        $id = \in_array($table, ReleaseReader::NAMED_TABLES, true) ? 'r.row_id' : 'r.row_id::uuid';
        $changed = "journal.release_row r WHERE r.release_id = :release AND r.table_name = '$table' AND r.after IS ";
        $parameters = ['release' => $releaseId];
        $this->connection->executeStatement("DELETE FROM live.$table WHERE id IN (SELECT $id FROM {$changed}NULL)", $parameters);
        $this->connection->executeStatement(<<<SQL
            INSERT INTO live.$table SELECT * FROM workbench.$table WHERE id IN (SELECT $id FROM {$changed}NOT NULL) ON CONFLICT (id)
            DO UPDATE SET {$this->setOf($table)}
            SQL, $parameters);
    }

    /** Every column of a table but its id, to be set to what comes in. */
    private function setOf(string $table): string
    {
        $columns = array_filter(
            $this->connection->fetchFirstColumn(<<<'SQL'
                SELECT attname FROM pg_attribute WHERE attrelid = CAST(? AS regclass) AND attnum > 0 AND NOT attisdropped
                ORDER BY attnum
                SQL, ["workbench.$table"]),
            static fn (mixed $column): bool => \is_string($column) && 'id' !== $column,
        );

        return implode(', ', array_map(static fn (string $column): string => "$column = excluded.$column", $columns));
    }

    /** After very much has changed, the planner would go by what was true before, and so would the next publish. */
    private function measureAnew(): void
    {
        foreach (['journal.touched', 'journal.release_row', 'live.place', 'live.redirect'] as $table) {
            $this->connection->executeQuery('SELECT journal.measure(?)', [$table]);
        }
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Finding\DistanceContent;
use Lantern\Core\Finding\FrameContent;
use Lantern\Core\Release\CopyName;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Walks over everything, by parts, each with a short transaction of its own: what is edited meanwhile is looked at between them, and
 * what was due before it began is done when it ends. Only one walks over a copy at a time.
 */
final readonly class Walk
{
    private const TABLES = [
        'redirect' => 'redirect',
        'mention' => 'journal.outside_mention',
        'words' => 'words',
        'menu' => 'menu',
        'place' => 'place',
    ];

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        // Outside of the transaction, so that everybody sees how far it is.
        #[Autowire(service: 'doctrine.dbal.live_connection')] private Connection $aside,
        private Examiner $examiner,
        private ExaminedRows $rows,
        private CopyTransaction $transaction,
        private Locks $locks,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param \Closure(int, int): void|null $tell how many of how many were looked at
     * @param \Closure(int): void|null      $rest what is done between two parts, with the moment (hrtime) at which the last began
     */
    public function over(CopyName $name, ?\Closure $tell = null, ?\Closure $rest = null): void
    {
        $this->locks->unlessHeld(Lock::Walk, $name->value, function () use ($name, $tell, $rest): void {
            $before = $this->connection->fetchOne('SELECT CAST(pg_snapshot_xmin(pg_current_snapshot()) AS text)');
            $moment = $this->clock->now();
            $of = $this->count($name);
            $done = 0;
            foreach (self::TABLES as $kind => $table) {
                if ('place' === $kind) {
                    // What leads to places is asked now, of what was written a moment ago.
                    $this->connection->executeQuery("SELECT journal.measure('journal.examined')");
                }
                for ($last = '00000000-0000-0000-0000-000000000000'; null !== $last;) {
                    $begun = hrtime(true);
                    $ids = $this->part($name, $kind, $table, $last, $moment);
                    $last = \count($ids) < Examiner::BATCH[$kind] ? null : $ids[\count($ids) - 1];
                    $done += \count($ids);
                    $this->tell($name, $done, $of);
                    null === $tell || $tell($done, $of);
                    null === $rest || $rest($begun);
                }
            }
            $this->end($name, $moment, \is_string($before) ? $before : '0');
        });
    }

    private function count(CopyName $name): int
    {
        $all = 0;
        foreach (self::TABLES as $table) {
            // What is of neither copy stands in the journal.
            $count = $this->connection->fetchOne('SELECT count(*) FROM '.(str_contains($table, '.') ? $table : "$name->value.$table"));
            $all += is_numeric($count) ? (int) $count : 0;
        }

        return $all;
    }

    /** @return list<string> the ids of those that were looked at, in their order */
    private function part(CopyName $name, string $kind, string $table, string $after, \DateTimeImmutable $moment): array
    {
        return $this->transaction->run($name, function () use ($name, $kind, $table, $after, $moment): array {
            $ids = $this->connection->fetchFirstColumn(
                "SELECT id FROM $table WHERE id > CAST(? AS uuid) ORDER BY id LIMIT ".Examiner::BATCH[$kind],
                [$after],
            );
            $ids = array_values(array_filter($ids, \is_string(...)));
            if ([] !== $ids) {
                $this->examiner->examine($name, array_map(static fn (string $id): string => "$kind:$id", $ids), $moment);
            }

            return $ids;
        });
    }

    /** @param string $before the oldest transaction that went on when the walk began: what those before it left due is done by now */
    private function end(CopyName $name, \DateTimeImmutable $moment, string $before): void
    {
        $this->transaction->run($name, function () use ($name, $moment, $before): void {
            $this->examiner->examine($name, [FrameContent::KEY, DistanceContent::KEY], $moment);
            foreach (self::TABLES as $kind => $table) {
                $this->rows->forgetWhatIsGone($name, $kind, $table);
            }
            $this->rows->forgetFindingsOfNothing($name);
            $this->connection->executeStatement('DELETE FROM journal.due WHERE copy = ? AND tx < CAST(? AS xid8)', [$name->value, $before]);
            $this->connection->executeStatement(<<<'SQL'
                UPDATE journal.look SET whole_at = :now, caught_at = greatest(caught_at, :now), asked_at = NULL, done = 0, "of" = 0
                    WHERE copy = :copy
                SQL, ['now' => $moment->format(\DATE_ATOM), 'copy' => $name->value]);
        });
    }

    private function tell(CopyName $name, int $done, int $of): void
    {
        $this->aside->executeStatement('UPDATE journal.look SET done = ?, "of" = ? WHERE copy = ?', [$done, $of, $name->value]);
    }
}

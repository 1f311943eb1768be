<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Finding\DistanceContent;
use Lantern\Core\Release\CopyName;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Looks the shop over. After an edit only what looked at something that changed is looked at again: each look has written down what it
 * asked for. A walk over everything finds the same.
 */
final readonly class Inspection
{
    /** What a worker looks at in one transaction. */
    private const PART = 1000;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private DueQueue $due,
        private Examiner $examiner,
        private ExaminedRows $rows,
        private Walk $walk,
        private CopyTransaction $transaction,
        private ClockInterface $clock,
    ) {
    }

    /**
     * Looks at what changed since the last time, but for how far places are: see `refreshDistances`.
     *
     * @return bool whether what is kept is of now; else there is too much to look at while somebody waits, and a worker should
     */
    public function catchUp(CopyName $name): bool
    {
        if (!$this->due->isDue($name)) {
            return true;
        }

        return true === $this->transaction->tryRun(
            $name,
            fn (): bool => !$this->due->isMuch($name) && $this->lookAtPart($name, DueQueue::MOST_AT_ONCE),
        );
    }

    /**
     * The same for a worker, however much it is: by parts, each with a short transaction of its own, so that whoever edits or publishes
     * meanwhile waits for none of it. Whoever dies on the way leaves the rest for the next.
     */
    public function catchUpByParts(CopyName $name): void
    {
        if ($this->due->needsWalk($name)) {
            $this->walk->over($name, rest: $this->giveWay(...));

            return;
        }
        while ($this->due->isDue($name) && !$this->due->needsWalk($name)) {
            $begun = hrtime(true);
            $this->transaction->run($name, fn (): bool => $this->lookAtPart($name, self::PART));
            $this->giveWay($begun);
        }
        $this->due->mayAskAgain($name);
    }

    /**
     * Looks at how far places are from the front page, where a way may have changed. That asks for many ways, most edits may change
     * one, and nothing is broken by it: so a worker does it, soon, and nobody who edits waits for it.
     */
    public function refreshDistances(CopyName $name): void
    {
        $moment = $this->clock->now();
        if ($this->due->areDistancesDue($name, $moment)) {
            $this->transaction->tryRun($name, function () use ($name, $moment): void {
                $this->due->takeDistances($name);
                $this->examiner->examine($name, [DistanceContent::KEY], $moment);
            }, 0);
        }
    }

    /**
     * @param \Closure(int, int): void|null $tell   how many of how many were looked at
     * @param bool                          $yields whether it goes slowly while others are at work
     */
    public function walk(CopyName $name, ?\Closure $tell = null, bool $yields = false): void
    {
        $this->walk->over($name, $tell, $yields ? $this->giveWay(...) : null);
    }

    /** Whether more has changed than anybody would wait for. */
    public function isMuch(CopyName $name): bool
    {
        return $this->due->isMuch($name);
    }

    /**
     * Looks at what the oldest of the changes reached. What is more than a part is written down as due by itself.
     *
     * @return bool whether nothing is left of what was due
     */
    private function lookAtPart(CopyName $name, int $most): bool
    {
        $moment = $this->clock->now();
        $this->due->passDates($name, $moment);
        $taken = $this->due->take($name, $most);
        $subjects = array_values(array_unique([...$taken->subjects, ...$this->rows->reaching($name, $taken->keys, $moment)]));
        $later = \array_slice($subjects, $most);
        $this->due->putBack($name, $later, $taken->person);
        $this->examiner->lookAt($name, \array_slice($subjects, 0, $most), $moment, $taken->person);
        $this->due->caughtUp($name, $moment);

        return [] === $later && $taken->changes < $most;
    }

    /**
     * Waits as long as a part took, and no longer than a second, where somebody else is at work in the database.
     *
     * @param int $begun when the part began (hrtime)
     */
    private function giveWay(int $begun): void
    {
        $others = $this->connection->fetchOne(<<<'SQL'
            SELECT EXISTS (
                SELECT FROM pg_stat_activity WHERE datname = current_database() AND application_name LIKE 'lantern%'
                AND state = 'active' AND pid <> pg_backend_pid()
            )
            SQL);
        if (\in_array($others, [true, 't'], true)) {
            usleep(min(1_000_000, intdiv(hrtime(true) - $begun, 1000)));
        }
    }
}

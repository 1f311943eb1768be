<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Takes locks; what each is for, and their order, stands with Lock. */
final readonly class Locks
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /**
     * Held until the transaction ends.
     *
     * @param string $of the thing that is locked, where each has its own
     */
    public function take(Lock $lock, string $of = ''): void
    {
        $this->connection->executeStatement('SELECT pg_advisory_xact_lock(hashtext(?))', [$lock->name($of)]);
    }

    public function relations(): void
    {
        $this->take(Lock::Relations);
    }

    /** @return bool false at once, where somebody else has it; else it is held until the transaction ends */
    public function tryTake(Lock $lock, string $of = ''): bool
    {
        return $this->isTrue('SELECT pg_try_advisory_xact_lock(hashtext(?))', $lock->name($of));
    }

    /**
     * Held while some work is done, over as many transactions as that takes.
     *
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T
     */
    public function during(Lock $lock, string $of, \Closure $work): mixed
    {
        $this->connection->executeQuery('SELECT pg_advisory_lock(hashtext(?))', [$lock->name($of)]);
        try {
            return $work();
        } finally {
            $this->release($lock, $of);
        }
    }

    /**
     * The same, where it is not done at all while somebody else does it.
     *
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T|null null: somebody else has the lock
     */
    public function unlessHeld(Lock $lock, string $of, \Closure $work): mixed
    {
        if (!$this->isTrue('SELECT pg_try_advisory_lock(hashtext(?))', $lock->name($of))) {
            return null;
        }
        try {
            return $work();
        } finally {
            $this->release($lock, $of);
        }
    }

    private function release(Lock $lock, string $of): void
    {
        $this->connection->executeQuery('SELECT pg_advisory_unlock(hashtext(?))', [$lock->name($of)]);
    }

    private function isTrue(string $sql, string $name): bool
    {
        return \in_array($this->connection->fetchOne($sql, [$name]), [true, 't'], true);
    }
}

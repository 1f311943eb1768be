<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Release\CopyName;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** A transaction in which the connection sees one copy, and in which nobody else keeps findings of it. */
final readonly class CopyTransaction
{
    /** How long a request waits for another one that looks at the same time, in milliseconds. */
    private const WAITS = 1000;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private Locks $locks,
    ) {
    }

    /**
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T
     */
    public function run(CopyName $name, \Closure $work): mixed
    {
        return $this->connection->transactional(function () use ($name, $work): mixed {
            $this->locks->take(Lock::Findings, $name->value);

            return $this->seeing($name, $work);
        });
    }

    /**
     * The same for somebody who does not wait long.
     *
     * @template T
     *
     * @param \Closure(): T $work
     * @param int           $wait milliseconds
     *
     * @return T|null null: somebody else looks all that time
     */
    public function tryRun(CopyName $name, \Closure $work, int $wait = self::WAITS): mixed
    {
        return $this->connection->transactional(function () use ($name, $work, $wait): mixed {
            for ($waited = 0; !$this->locks->tryTake(Lock::Findings, $name->value); $waited += 20) {
                if ($waited >= $wait) {
                    return null;
                }
                usleep(20_000);
            }

            return $this->seeing($name, $work);
        });
    }

    /**
     * Whatever comes after this in the transaction sees the workbench again.
     *
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T
     */
    private function seeing(CopyName $name, \Closure $work): mixed
    {
        $this->useSchemaOf($name);
        $result = $work();
        $this->useSchemaOf(CopyName::Workbench);

        return $result;
    }

    private function useSchemaOf(CopyName $name): void
    {
        $this->connection->executeStatement("SET LOCAL search_path TO $name->value, catalogue, journal");
        $this->connection->executeStatement('SET LOCAL statement_timeout TO 0');
    }
}

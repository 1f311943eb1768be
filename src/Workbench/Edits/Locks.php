<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Where two people may meet in a rule that reaches beyond one row. */
final readonly class Locks
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /**
     * What relates places with each other (addresses, redirects, what stands below what, where closed ones
     * lead) is changed by one at a time: two could make a circle of two halves, or take one address. It is
     * held until the transaction ends, and taken before any row, so that nobody waits for one another.
     */
    public function relations(): void
    {
        $this->connection->executeStatement("SELECT pg_advisory_xact_lock(hashtext('lantern relations'))");
    }
}

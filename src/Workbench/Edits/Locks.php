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

    /** Held until the transaction ends. */
    public function take(Lock $lock): void
    {
        $this->connection->executeStatement('SELECT pg_advisory_xact_lock(hashtext(?))', [$lock->name()]);
    }

    public function relations(): void
    {
        $this->take(Lock::Relations);
    }
}

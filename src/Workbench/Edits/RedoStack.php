<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** What a person took back, and may make again until they make something else. */
final readonly class RedoStack
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    public function forget(string $personId): void
    {
        $this->connection->executeStatement('DELETE FROM journal.step WHERE person_id = ? AND undone', [$personId]);
        $this->connection->executeStatement('DELETE FROM journal.edit WHERE person_id = ? AND takes_back IS NOT NULL', [$personId]);
    }
}

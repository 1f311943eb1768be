<?php

declare(strict_types=1);

namespace Lantern\Workbench\Mailing;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Stands in for a mailing service where none is configured: it keeps what it is told, to be looked at. */
final readonly class ServiceStandIn implements MailingService
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    public function tell(string $eventId, TellService $event): void
    {
        $this->connection->executeStatement(<<<'SQL'
            INSERT INTO journal.told_service (id, at, type, list, address) VALUES (?, to_timestamp(?), ?, ?, ?)
            ON CONFLICT (id) DO NOTHING
            SQL, [$eventId, $event->at, $event->type, $event->list, $event->address]);
    }
}

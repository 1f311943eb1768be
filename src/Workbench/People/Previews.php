<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Opens previews for a session of somebody who is signed in, and ends them with it. */
final readonly class Previews
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** @param string $key of the session; what is opened under it ends with it, at the latest when it says */
    public function open(string $key, \DateTimeImmutable $until): void
    {
        $this->connection->executeStatement('DELETE FROM journal.preview_key WHERE until < now()');
        $this->connection->executeStatement('INSERT INTO journal.preview_key (key, until) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET until = greatest(preview_key.until, excluded.until)', [$key, $until->format(\DATE_ATOM)]);
    }

    public function end(string $key): void
    {
        $this->connection->delete('journal.preview_key', ['key' => $key]);
    }
}

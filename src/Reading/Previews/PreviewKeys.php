<?php

declare(strict_types=1);

namespace Lantern\Reading\Previews;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Which previews are still open: each belongs to a session, and ends with it. */
final readonly class PreviewKeys
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.live_connection')] private Connection $connection,
        private ClockInterface $clock,
    ) {
    }

    public function isOpen(string $key): bool
    {
        return false !== $this->connection->fetchOne(<<<'SQL'
            SELECT 1 FROM journal.preview_key WHERE key = ? AND until > ?
            SQL, [$key, $this->clock->now()->format(\DATE_ATOM)]);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Doctrine\DBAL\Connection;
use Predis\Client;
use Symfony\Component\Cache\Adapter\AdapterInterface;
use Symfony\Component\Cache\Adapter\DoctrineDbalAdapter;
use Symfony\Component\Cache\Adapter\RedisAdapter;
use Symfony\Component\HttpFoundation\Session\Storage\Handler\AbstractSessionHandler;
use Symfony\Component\HttpFoundation\Session\Storage\Handler\PdoSessionHandler;
use Symfony\Component\HttpFoundation\Session\Storage\Handler\RedisSessionHandler;

/** What several nodes have to know alike about whoever signs in: in the database, or in Redis where the shop has one. */
final class SharedState
{
    private const SECONDS = 60 * 60 * 12;

    public static function sessions(Connection $connection, ?string $redis): AbstractSessionHandler
    {
        if ('' !== (string) $redis) {
            return new RedisSessionHandler(new Client($redis), ['prefix' => 'lantern.session.', 'ttl' => self::SECONDS]);
        }
        // The connection that is there anyway.
        $native = $connection->getNativeConnection();

        return new PdoSessionHandler(
            $native instanceof \PDO ? $native : throw new \LogicException('The database is spoken to by PDO.'),
            ['db_table' => 'journal.session', 'lock_mode' => PdoSessionHandler::LOCK_NONE],
        );
    }

    public static function counts(Connection $connection, ?string $redis): AdapterInterface
    {
        return '' === (string) $redis
            ? new DoctrineDbalAdapter($connection, 'lantern-counts')
            : new RedisAdapter(new Client($redis), 'lantern-counts');
    }
}

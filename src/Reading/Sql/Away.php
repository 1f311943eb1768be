<?php

declare(strict_types=1);

namespace Lantern\Reading\Sql;

use Doctrine\DBAL\Driver\Exception as DriverException;

/** Whether a failure says that the database is not there, or cannot do what it is asked now; nothing is wrong with what was asked. */
final class Away
{
    /** After so many seconds, asking again is worth it. */
    public const RETRY_AFTER = 2;

    /**
     * Classes of SQLSTATE (PostgreSQL, Appendix A), or states: connection, resources, operator intervention (among it a
     * statement that took too long), a server that only reads; and HY000 for a connection that PDO lost.
     */
    private const STATES = ['08', '53', '57', '58', '25006', 'HY000'];

    public static function explains(\Throwable $failure): bool
    {
        for ($cause = $failure; null !== $cause; $cause = $cause->getPrevious()) {
            $state = match (true) {
                $cause instanceof DriverException => $cause->getSQLState(),
                $cause instanceof \PDOException => \is_string($cause->getCode()) ? $cause->getCode() : 'HY000',
                // Sessions may lie in Redis, which may be away as well.
                $cause instanceof \Predis\CommunicationException,
                $cause instanceof \Predis\Connection\Resource\Exception\StreamInitException => '08',
                default => null,
            };
            if (null !== $state && [] !== array_filter(self::STATES, static fn (string $one): bool => str_starts_with($state, $one))) {
                return true;
            }
        }

        return false;
    }
}

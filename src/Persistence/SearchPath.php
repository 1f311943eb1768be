<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;

/** Makes a connection see one copy of the shop: the same statements read the workbench or live. */
final readonly class SearchPath implements Middleware
{
    public function __construct(private string $copy)
    {
    }

    public function wrap(Driver $driver): Driver
    {
        return new class($driver, $this->copy) extends AbstractDriverMiddleware {
            public function __construct(Driver $driver, private readonly string $copy)
            {
                parent::__construct($driver);
            }

            public function connect(#[\SensitiveParameter] array $params): Driver\Connection
            {
                try {
                    return $this->prepared(parent::connect($params));
                } catch (Driver\Exception) {
                    // A connection that was kept may have been lost meanwhile, with a restart of the database say;
                    // asked for again, it is made anew.
                    return $this->prepared(parent::connect($params));
                }
            }

            private function prepared(Driver\Connection $connection): Driver\Connection
            {
                $connection->exec("SET search_path TO {$this->copy}, catalogue, journal; SET timezone TO 'UTC'");

                return $connection;
            }
        };
    }
}

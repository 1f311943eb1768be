<?php

declare(strict_types=1);

namespace Lantern\Reading\Sql;

use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;

/**
 * Makes a connection see one copy of the shop: the same statements read the workbench or live. And ends what
 * takes too long on the server, too, where nobody waits for it any more.
 */
final readonly class ConnectionSettings implements Middleware
{
    /**
     * Every statement of a request is short, so neither compiling it nor sharing it among processes pays; and what it reads is in
     * memory. Words are alike that share a sixth of their letters by three: which of them is but a slip is judged then.
     */
    private const SHORT_STATEMENTS = <<<'SQL'
        SET jit TO off; SET max_parallel_workers_per_gather TO 0; SET random_page_cost TO 1.1; SET pg_trgm.similarity_threshold TO 0.15
        SQL;

    /** What is prepared once is planned once, too, for whatever it is asked with. */
    private const PLANNED_ONCE = '; SET plan_cache_mode TO force_generic_plan';

    /**
     * @param int  $seconds that a statement may take when it is asked for by a request; jobs and commands have their own
     * @param bool $keeps   whether what reads is prepared once for each connection, see PreparingConnection
     */
    public function __construct(private string $copy, private int $seconds, private bool $keeps)
    {
    }

    public function wrap(Driver $driver): Driver
    {
        $settings = [
            "client_encoding TO 'UTF8'",
            "search_path TO {$this->copy}, catalogue, journal",
            "timezone TO 'UTC'",
            'statement_timeout TO '.('cli' === \PHP_SAPI ? 0 : 1000 * $this->seconds),
        ];

        $statements = 'SET '.implode('; SET ', $settings).'; '.self::SHORT_STATEMENTS.($this->keeps ? self::PLANNED_ONCE : '');

        return new class($driver, $statements, $this->keeps) extends AbstractDriverMiddleware {
            public function __construct(Driver $driver, private readonly string $statements, private readonly bool $keeps)
            {
                parent::__construct($driver);
            }

            public function connect(#[\SensitiveParameter] array $params): Driver\Connection
            {
                // The encoding is among the settings.
                unset($params['charset']);
                // A connection that was kept may have been lost meanwhile, with a restart of the database say; asked for again, it
                // is made anew.
                $anew = fn (): Driver\Connection => parent::connect($params);
                try {
                    return $this->set(parent::connect($params), $anew);
                } catch (Driver\Exception|\PDOException) {
                    return $this->set(parent::connect($params), $anew);
                }
            }

            /** @param \Closure(): Driver\Connection $anew */
            private function set(Driver\Connection $connection, \Closure $anew): Driver\Connection
            {
                $native = $this->keeps ? $connection->getNativeConnection() : null;
                if (!$native instanceof \PDO) {
                    $connection->exec($this->statements);

                    return $connection;
                }

                return new PreparingConnection($connection, $native, $this->statements, $anew);
            }
        };
    }
}

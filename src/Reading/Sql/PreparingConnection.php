<?php

declare(strict_types=1);

namespace Lantern\Reading\Sql;

use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\PDO\Exception;
use Doctrine\DBAL\Driver\PDO\Result;
use Doctrine\DBAL\Driver\Result as DriverResult;
use Doctrine\DBAL\Driver\Statement;

/**
 * A connection whose session outlives the request: it is set up once, and statements that read are prepared once and only executed
 * from then on, since to plan them takes longer than most of them take. What a session has is kept on the node under the process
 * that serves it; that it is still the same session says a statement with a name of its own, which is executed first. Where
 * sessions are shared between clients (a pooler in transaction mode) this has no ground to stand on. A session that ended while
 * nobody used it, with a restart of the database say, is made anew before anything is asked of it.
 */
final class PreparingConnection implements Connection
{
    /**
     * More than pages need, and no more than a session has memory for, whatever shapes of a question somebody thinks out; what is beyond
     * them begins anew.
     */
    private const MOST = 120;
    private const READS = '/^\s*(?:SELECT|WITH)\b/i';
    private const BEGINS = 'START TRANSACTION';
    private const REMEMBERED = 'lantern.session.';
    /** No such statement (PostgreSQL, appendix A). */
    private const UNKNOWN = '26000';

    private bool $isSure = false;
    private bool $isAnew = false;

    /** The name of the statement that this session has been given. */
    private string $mark = '';

    /** @var array<string, true> names of what it has prepared */
    private array $prepared = [];
    private string $key = '';

    /**
     * @param \PDO                   $native   the same connection, as PHP has it
     * @param string                 $settings statements that set a session up
     * @param \Closure(): Connection $anew     connects anew
     */
    public function __construct(
        private Connection $connection,
        private \PDO $native,
        private readonly string $settings,
        private readonly \Closure $anew,
    ) {
        $this->recall();
    }

    public function prepare(string $sql): Statement
    {
        $this->makeSure();

        return 1 === preg_match(self::READS, $sql)
            ? new KeptStatement($this, $sql, fn (): Statement => $this->connection->prepare($sql))
            : $this->connection->prepare($sql);
    }

    public function query(string $sql): DriverResult
    {
        $this->makeSure();

        return 1 === preg_match(self::READS, $sql) ? $this->execute($sql, '') : $this->connection->query($sql);
    }

    public function exec(string $sql): int|string
    {
        if (!$this->isSure && '' !== $this->mark && str_starts_with($sql, self::BEGINS)) {
            // In one round trip; where the session is another one, nothing has happened yet.
            try {
                $this->native->exec("$sql; EXECUTE {$this->mark}");
                $this->isSure = true;

                return 0;
            } catch (\PDOException $exception) {
                if (self::UNKNOWN !== $exception->getCode()) {
                    $this->renew($exception);
                } else {
                    $this->native->exec('ROLLBACK');
                    $this->setUp();
                }
            }
        }
        $this->makeSure();

        return $this->connection->exec($sql);
    }

    public function beginTransaction(): void
    {
        $this->makeSure();
        $this->connection->beginTransaction();
    }

    public function commit(): void
    {
        $this->connection->commit();
    }

    public function rollBack(): void
    {
        $this->connection->rollBack();
    }

    public function quote(string $value): string
    {
        return $this->connection->quote($value);
    }

    public function lastInsertId(): int|string
    {
        return $this->connection->lastInsertId();
    }

    public function getServerVersion(): string
    {
        return $this->connection->getServerVersion();
    }

    public function getNativeConnection(): \PDO
    {
        return $this->native;
    }

    /**
     * @param string $sql    with parameters as $1, $2 …
     * @param string $values in brackets, as SQL; empty where it has none
     */
    public function execute(string $sql, string $values): DriverResult
    {
        $name = 'kept_'.hash('xxh128', $sql);
        try {
            if (!isset($this->prepared[$name])) {
                if (\count($this->prepared) >= self::MOST) {
                    $this->native->exec('DEALLOCATE '.implode('; DEALLOCATE ', array_keys($this->prepared)));
                    $this->prepared = [];
                }
                $this->native->exec("PREPARE $name AS $sql");
                $this->prepared[$name] = true;
                $this->remember();
            }
            // One round trip, not three.
            $statement = $this->native->prepare("EXECUTE $name $values", [\PDO::ATTR_EMULATE_PREPARES => true]);
            $statement->execute();
        } catch (\PDOException $exception) {
            throw Exception::new($exception);
        }

        return new Result($statement);
    }

    private function makeSure(): void
    {
        if ($this->isSure) {
            return;
        }
        try {
            if ('' === $this->mark) {
                $this->setUp();
            } else {
                $this->native->exec("EXECUTE {$this->mark}");
                $this->isSure = true;
            }
        } catch (\PDOException $exception) {
            if (self::UNKNOWN === $exception->getCode()) {
                $this->setUp();
            } else {
                $this->renew($exception);
                $this->makeSure();
            }
        }
    }

    /**
     * What was kept was lost while nobody used it: nothing was asked of it yet in this request.
     *
     * @throws Exception where it was made anew already
     */
    private function renew(\PDOException $lost): void
    {
        if ($this->isAnew) {
            throw Exception::new($lost);
        }
        $this->isAnew = true;
        $this->connection = ($this->anew)();
        $native = $this->connection->getNativeConnection();
        $this->native = $native instanceof \PDO ? $native : throw Exception::new($lost);
        $this->recall();
    }

    /** What this session was given before, by this process. */
    private function recall(): void
    {
        $this->key = self::REMEMBERED.hash('xxh128', $this->settings).'.'.$this->native->pgsqlGetPid();
        [$this->mark, $this->prepared] = ['', []];
        $kept = apcu_enabled() ? apcu_fetch($this->key) : false;
        if (\is_array($kept) && \is_string($kept[0] ?? null) && \is_array($kept[1] ?? null)) {
            /** @var array<string, true> $prepared */
            $prepared = $kept[1];
            [$this->mark, $this->prepared] = [$kept[0], $prepared];
        }
    }

    private function setUp(): void
    {
        $this->mark = 'mark_'.bin2hex(random_bytes(8));
        $this->prepared = [];
        try {
            $this->native->exec("DEALLOCATE ALL; {$this->settings}; PREPARE {$this->mark} AS SELECT 1");
        } catch (\PDOException $exception) {
            throw Exception::new($exception);
        }
        $this->isSure = true;
        $this->remember();
    }

    private function remember(): void
    {
        if (apcu_enabled()) {
            apcu_store($this->key, [$this->mark, $this->prepared]);
        }
    }
}

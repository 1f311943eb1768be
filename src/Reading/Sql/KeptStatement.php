<?php

declare(strict_types=1);

namespace Lantern\Reading\Sql;

use Doctrine\DBAL\Driver\Result;
use Doctrine\DBAL\Driver\Statement;
use Doctrine\DBAL\ParameterType;
use Doctrine\DBAL\SQL\Parser;

/** A statement that reads, to be executed as one that the connection has prepared already. */
final class KeptStatement implements Statement
{
    private const REMEMBERED = 'lantern.statement.';

    /** @var array<int|string, mixed> */
    private array $values = [];
    private bool $isPlain = true;

    /** @param \Closure(): Statement $otherwise for values that are no text */
    public function __construct(
        private readonly PreparingConnection $connection,
        private readonly string $sql,
        private readonly \Closure $otherwise,
    ) {
    }

    public function bindValue(int|string $param, mixed $value, ParameterType $type): void
    {
        $this->values[\is_string($param) ? ltrim($param, ':') : $param] = $value;
        $this->isPlain = $this->isPlain && !\in_array($type, [ParameterType::BINARY, ParameterType::LARGE_OBJECT], true);
    }

    public function execute(): Result
    {
        if (!$this->isPlain) {
            $statement = ($this->otherwise)();
            foreach ($this->values as $name => $value) {
                $statement->bindValue($name, $value, ParameterType::STRING);
            }

            return $statement->execute();
        }
        [$sql, $parameters] = $this->numbered();

        return $this->connection->execute(
            $sql,
            [] === $parameters
                ? ''
                : '('.implode(', ', array_map(fn (int|string $name): string => self::literal($this->values[$name] ?? null), $parameters))
                    .')',
        );
    }

    /** @return array{string, list<int|string>} the statement with $1, $2 …, and the names of what they stand for */
    private function numbered(): array
    {
        $key = self::REMEMBERED.hash('xxh128', $this->sql);
        $known = apcu_enabled() ? apcu_fetch($key) : false;
        if (\is_array($known)) {
            /** @var array{string, list<int|string>} $known */
            return $known;
        }
        $numbers = new NumberedParameters();
        (new Parser(false))->parse($this->sql, $numbers);
        $found = [$numbers->sql, $numbers->names];
        if (apcu_enabled()) {
            apcu_store($key, $found);
        }

        return $found;
    }

    /** As PostgreSQL reads it whatever its settings (4.1.2.2), and PDO, which looks for parameters in it, too. */
    private static function literal(mixed $value): string
    {
        return match (true) {
            null === $value => 'NULL',
            \is_bool($value) => $value ? 'true' : 'false',
            \is_int($value) => $value < 0 ? "'$value'" : (string) $value,
            \is_scalar($value) || $value instanceof \Stringable => "E'".strtr((string) $value, ['\\' => '\\\\', "'" => "''"])."'",
            default => throw new \LogicException('A parameter is text, a number, yes or no, or nothing.'),
        };
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Reading\Sql;

/** A row of the database, read with the types its columns have. */
final readonly class Row
{
    /** @param array<string, mixed> $columns */
    public function __construct(private array $columns)
    {
    }

    /**
     * A row that was written as JSON.
     *
     * @return array<string, mixed>|null
     */
    public static function columns(?string $json): ?array
    {
        /** @var array<string, mixed>|null */
        return null === $json ? null : json_decode($json, true, 8, \JSON_THROW_ON_ERROR);
    }

    public function text(string $column): string
    {
        $value = $this->columns[$column] ?? '';

        return \is_scalar($value) ? (string) $value : throw new \UnexpectedValueException("Column $column holds no text.");
    }

    public function textOrNull(string $column): ?string
    {
        return isset($this->columns[$column]) ? $this->text($column) : null;
    }

    public function int(string $column): int
    {
        return (int) $this->text($column);
    }

    public function intOrNull(string $column): ?int
    {
        return isset($this->columns[$column]) ? $this->int($column) : null;
    }

    public function bool(string $column): bool
    {
        return true === ($this->columns[$column] ?? null) || 't' === ($this->columns[$column] ?? null);
    }

    public function moment(string $column): ?\DateTimeImmutable
    {
        $value = $this->textOrNull($column);

        return null === $value ? null : new \DateTimeImmutable($value);
    }

    /** @return array<mixed> */
    public function json(string $column): array
    {
        $value = json_decode($this->textOrNull($column) ?? '[]', true, flags: \JSON_THROW_ON_ERROR);

        return \is_array($value) ? $value : [];
    }

    /** @return list<string> an array of PostgreSQL, selected as `to_jsonb(column)` */
    public function texts(string $column): array
    {
        return array_values(array_filter($this->json($column), \is_string(...)));
    }
}

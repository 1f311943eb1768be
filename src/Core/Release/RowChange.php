<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

/** One row that differs between two copies. */
final readonly class RowChange
{
    /**
     * @param string                    $table  such as `place`
     * @param array<string, mixed>|null $before columns and values; null where the row is new
     * @param array<string, mixed>|null $after  null where the row is removed
     */
    public function __construct(
        public string $table,
        public string $id,
        public ?array $before,
        public ?array $after,
    ) {
    }

    public function isNew(): bool
    {
        return null === $this->before;
    }

    public function isRemoved(): bool
    {
        return null === $this->after;
    }

    /** @return list<string> the columns that differ, where the row is in both copies */
    public function columns(): array
    {
        if (null === $this->before || null === $this->after) {
            return [];
        }

        return array_values(array_filter(
            array_keys($this->after),
            fn (string $column): bool => ($this->before[$column] ?? null) !== ($this->after[$column] ?? null),
        ));
    }

    public function value(string $column): mixed
    {
        return $this->after[$column] ?? $this->before[$column] ?? null;
    }
}

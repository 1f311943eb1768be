<?php

declare(strict_types=1);

namespace Lantern\Reading\Releases;

/** Names one row of the shop that differs, or did; parts of what is very much end with one. */
final readonly class RowKey
{
    /** @param string $table one of ReleaseReader::TABLES */
    public function __construct(public string $table, public string $id)
    {
    }

    /** @return self|null null where the words name none */
    public static function parse(string $words): ?self
    {
        [$table, $id] = explode(' ', $words, 2) + ['', ''];

        return \in_array($table, ReleaseReader::TABLES, true) && '' !== $id ? new self($table, $id) : null;
    }

    public function __toString(): string
    {
        return "{$this->table} {$this->id}";
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Reading\Sql;

/**
 * Many values as one parameter, to be cast to an array there: `id = ANY (CAST(:ids AS uuid[]))`. A statement
 * has at most 65,535 parameters (PostgreSQL, 55.7), and what is many may be more.
 */
final class PgArray
{
    /**
     * @param array<string> $values
     *
     * @return string in the text form of an array (PostgreSQL, 8.15.2)
     */
    public static function of(array $values): string
    {
        return [] === $values
            ? '{}'
            : '{"'.implode('","', array_map(static fn (string $value): string => addcslashes($value, '"\\'), $values)).'"}';
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Reading\Sql;

use Doctrine\DBAL\Connection;

/**
 * Looks words up in an index of letters (pg_trgm), whatever the planner takes a word to be worth: it has no
 * statistics of letters, and walks the whole shop for a word that it takes to be frequent.
 */
final class LetterIndex
{
    /** How alike a word and what was typed have to be, from 0 to 1: one slip in seven letters still is. */
    public const SLIP = '0.42';

    /**
     * @param string               $sql        a query for ids
     * @param array<string, mixed> $parameters
     *
     * @return list<string>
     */
    public static function ids(Connection $connection, string $sql, array $parameters): array
    {
        $connection->executeStatement(
            <<<'SQL'
                SET enable_seqscan TO off; SET enable_indexscan TO off; SET enable_indexonlyscan TO off;
                SET pg_trgm.word_similarity_threshold TO
                SQL
                .' '.self::SLIP,
        );
        try {
            return array_values(array_filter($connection->fetchFirstColumn($sql, $parameters), \is_string(...)));
        } finally {
            $connection->executeStatement('RESET enable_seqscan; RESET enable_indexscan; RESET enable_indexonlyscan');
        }
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Reading\Search;

use Doctrine\DBAL\Connection;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Reading\Sql\Row;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** What was looked for and not found in the last while, most often first, with where it could lead. */
final readonly class MissedSearches
{
    public const DAYS = 60;
    private const MOST = 30;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param list<string> $besides words that lead somewhere by now
     *
     * @return list<MissedSearch>
     */
    public function all(array $besides): array
    {
        $columns = preg_replace('/\b(\w+)\b/', 'p.$1', PlaceReader::COLUMNS);
        $rows = $this->connection->fetchAllAssociative(<<<SQL
            -- Beginnings of the longer words: who looks for "returning" may mean "returns".
            WITH missed AS MATERIALIZED (
                SELECT words, sum(count) AS times, max(day) AS last_day FROM missed_search WHERE day >= :since
                    AND NOT words = ANY (ARRAY(SELECT jsonb_array_elements_text(CAST(:besides AS jsonb))))
                GROUP BY words ORDER BY times DESC, words LIMIT :most
            )
            SELECT missed.words, missed.times, missed.last_day, $columns FROM missed LEFT JOIN LATERAL (
                SELECT p.* FROM search_words s JOIN place p ON p.id = s.place_id,
                    (SELECT CAST(replace(replace(catalogue.search_terms(ARRAY(SELECT left(word, greatest(4, char_length(word) - 3))
                        FROM unnest(string_to_array(missed.words, ' ')) AS word
                        WHERE char_length(word) > 3), true), ' & ', ' | '), ':@', '') AS tsquery) AS any_of) q
                WHERE s.words @@ q.any_of AND p.light = 'open' AND p.kind NOT IN ('front-page', 'search')
                ORDER BY s.seat IS NULL DESC, ts_rank('{0, 0.1, 0.4, 1}', s.words, q.any_of) + public.word_similarity(missed.words,
                    p.title) DESC, p.title LIMIT 1
            ) p ON true ORDER BY missed.times DESC, missed.words
            SQL, [
            'since' => $this->clock->now()->modify('-'.self::DAYS.' days')->format('Y-m-d'),
            'besides' => json_encode($besides, \JSON_THROW_ON_ERROR),
            'most' => self::MOST,
        ]);

        return array_map(static function (array $columns): MissedSearch {
            $row = new Row($columns);

            return new MissedSearch(
                $row->text('words'),
                $row->int('times'),
                $row->text('last_day'),
                null === $row->textOrNull('id') ? null : PlaceReader::fromRow($columns),
            );
        }, $rows);
    }
}

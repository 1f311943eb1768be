<?php

declare(strict_types=1);

namespace Lantern\Reading\Search;

use Doctrine\DBAL\Connection;
use Lantern\Core\Search\Rank;
use Lantern\Core\Search\SearchWords;
use Lantern\Core\Visitor;
use Lantern\Reading\Places\PlaceConditions;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;

/** Finds what visitors look for. `Core\Search` says what is found and in which order; a test holds the two against each other. */
final readonly class SearchReader
{
    public const MOST_PLACES = 12;
    private const MOST_SUGGESTED = 6;
    /** The words as they were typed, and with what is forgiven; the same for titles, and for titles with tags. */
    public const ASKED = 'asked AS MATERIALIZED (SELECT CAST(catalogue.search_terms(CAST(:asked AS text[]), false) AS tsquery) AS exact, '
        ."CAST(replace(wide, ':@', '') AS tsquery) AS wide, CAST(replace(replace(wide, ':*', ':*A'), ':@', ':A') AS tsquery) AS titles, "
        ."CAST(replace(replace(wide, ':*', ':*AB'), ':@', ':AB') AS tsquery) AS tags FROM (SELECT catalogue.search_terms(CAST(:asked AS "
        .'text[]), true) AS wide) terms)';
    private const FOUND = 's.words @@ (SELECT wide FROM asked)';

    public function __construct(private Connection $connection)
    {
    }

    /** A rank of what was found, as `Rank` has it, without whether it is there. */
    public static function rank(): string
    {
        return \sprintf(
            'CASE WHEN s.words @@ (SELECT exact FROM asked) THEN 0 ELSE %d END + CASE WHEN s.words @@ (SELECT titles FROM asked) THEN 0 '
                .'WHEN s.words @@ (SELECT tags FROM asked) THEN %d ELSE %d END',
            Rank::FORGIVEN,
            Rank::BY_TAGS,
            Rank::BY_DESCRIPTION,
        );
    }

    /**
     * Places that are no products.
     *
     * @return list<string> ids, what fits best first
     */
    public function places(SearchWords $words, Visitor $visitor): array
    {
        $ids = $words->isNone()
            ? []
            : $this->connection->fetchFirstColumn(
                'WITH '.self::ASKED.' SELECT p.id FROM search_words s JOIN place p ON p.id = s.place_id WHERE s.seat IS NULL AND '
                    .self::FOUND." AND p.kind NOT IN ('product', 'front-page', 'search') AND ".PlaceConditions::SHOWN.' ORDER BY '
                    .self::rank().', p.title COLLATE by_name, p.id LIMIT '.self::MOST_PLACES,
                ['asked' => PgArray::of($words->words)] + PlaceConditions::visitor($visitor),
            );

        return array_values(array_filter($ids, \is_string(...)));
    }

    /**
     * What somebody who is still typing may mean.
     *
     * @return list<Suggestion>
     */
    public function suggestions(SearchWords $words, Visitor $visitor): array
    {
        if ($words->isNone()) {
            return [];
        }
        $one = static fn (string $which): string => '(SELECT p.title, p.address, p.kind, '.self::rank()
            ." AS rank FROM search_words s JOIN place p ON p.id = s.place_id WHERE $which AND ".self::FOUND
            ." AND p.kind NOT IN ('front-page', 'search') AND ".PlaceConditions::SHOWN.' ORDER BY 4, p.title COLLATE by_name LIMIT '
            .self::MOST_SUGGESTED.')';
        $rows = $this->connection->fetchAllAssociative(
            'WITH '.self::ASKED.' '.$one('s.seat IS NULL').' UNION ALL '.$one('s.seat IS NOT NULL'),
            ['asked' => PgArray::of($words->words)] + PlaceConditions::visitor($visitor),
        );

        return array_map(static function (array $columns): Suggestion {
            $row = new Row($columns);

            return new Suggestion($row->text('title'), $row->text('address'), 'product' === $row->text('kind'));
        }, $rows);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Reading\Catalogue;

use Lantern\Core\Filter\ListingOrder;
use Lantern\Core\Place\CollectionRule;
use Lantern\Core\Search\Rank;
use Lantern\Core\Search\SearchWords;
use Lantern\Reading\Search\SearchReader;
use Lantern\Reading\Sql\PgArray;

/** Which products a page lists before anybody narrows it. */
final readonly class Listing
{
    /** The page of the newest has no second one. */
    public const NEWEST = 24;

    /**
     * @param string               $seats      SQL of the bits of its products, shown or not; `room` is there
     * @param string               $ordered    SQL of what has a `seat` and the columns of its order, for each of its products
     * @param string               $laid       columns of the order in which it is laid out
     * @param array<string, mixed> $parameters
     * @param string               $found      SQL of what it is read from besides, as further parts of WITH
     */
    private function __construct(
        public string $seats,
        public string $ordered,
        public string $laid,
        public array $parameters,
        public string $found = '',
    ) {
    }

    public static function everything(): self
    {
        return self::posted("filter = 'rule' AND choice = 'all'", []);
    }

    /** Of a category and of all below it. */
    public static function ofCategory(string $id): self
    {
        return self::posted(
            "filter = 'category' AND choice = ANY (ARRAY(WITH RECURSIVE tree AS (SELECT CAST(:listed AS uuid) AS id UNION SELECT c.id FROM "
                ."place c JOIN tree ON c.parent_id = tree.id WHERE c.kind = 'category') SELECT CAST(id AS text) FROM tree))",
            ['listed' => $id],
        );
    }

    /** Of a collection: those picked by hand, or those its rule finds. */
    public static function ofCollection(string $id, CollectionRule $rule): self
    {
        return match ($rule->by) {
            'hand' => new self(
                'catalogue.bits_of((SELECT array_agg(f.seat) FROM pick k JOIN product f ON f.id = k.product_id WHERE k.collection_id = '
                    .':listed), length(room.none))',
                'pick k JOIN product_title o ON o.product_id = k.product_id AND k.collection_id = :listed',
                'k.position, o.product_id',
                ['listed' => $id],
            ),
            'newest' => new self(
                'catalogue.bits_of((SELECT array_agg(seat) FROM (SELECT f.seat FROM product f, visible WHERE get_bit(visible.seats, '
                    .'f.seat) = 1 ORDER BY f.new_since DESC, f.id LIMIT '
                    .self::NEWEST.') newest), length(room.none))',
                'product o',
                'o.new_since DESC, o.id',
                [],
            ),
            'tag' => self::posted("filter = 'tag' AND choice = :listed", ['listed' => $rule->tag]),
            default => self::posted("filter = 'rule' AND choice = :listed", ['listed' => $rule->by]),
        };
    }

    /** Of what is found by words, what fits best first and then what is newest. */
    public static function found(SearchWords $words): self
    {
        $rank = SearchReader::rank();

        return new self(
            'catalogue.bits_of((SELECT array_agg(s.seat) FROM search_words s WHERE s.seat IS NOT NULL AND s.words @@ (SELECT wide FROM '
                .'asked)), length(room.none))',
            "(SELECT s.place_id AS product_id, s.seat, $rank + ".Rank::SOLD_OUT
                ." - get_bit((SELECT COALESCE((SELECT seats FROM posting WHERE filter = 'in-stock' AND choice = 'yes'), none) FROM room), "
                    .'s.seat) AS rank FROM search_words s WHERE s.seat IS NOT NULL AND s.words @@ (SELECT wide FROM asked)) o',
            'o.rank, o.seat DESC, o.product_id',
            ['asked' => PgArray::of($words->words)],
            SearchReader::ASKED,
        );
    }

    /**
     * @return array{string, list<array{string, bool}>} what is read, and by which of its columns in which direction: true is downwards. The
     *            last is its id
     */
    public function order(ListingOrder $order): array
    {
        return match ($order) {
            ListingOrder::Laid => [
                $this->ordered,
                array_map(
                    static fn (string $column): array => [(string) preg_replace('/ DESC$/D', '', $column), str_ends_with($column, ' DESC')],
                    explode(', ', $this->laid),
                ),
            ],
            ListingOrder::Name => ['product_title o', [['o.title COLLATE by_name', false], ['o.product_id', false]]],
            ListingOrder::Price => ['product o', [['o.price', false], ['o.id', false]]],
            ListingOrder::PriceDown => ['product o', [['o.price', true], ['o.id', true]]],
            ListingOrder::Newest => ['product o', [['o.new_since', true], ['o.id', false]]],
        };
    }

    /** @param array<string, mixed> $parameters */
    private static function posted(string $where, array $parameters): self
    {
        return new self(
            "COALESCE((SELECT bit_or(seats) FROM posting WHERE $where), room.none)",
            'product_title o',
            'o.title COLLATE by_name, o.product_id',
            $parameters,
        );
    }
}

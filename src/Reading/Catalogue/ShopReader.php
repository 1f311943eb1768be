<?php

declare(strict_types=1);

namespace Lantern\Reading\Catalogue;

use Doctrine\DBAL\Connection;
use Lantern\Core\Place\CollectionRule;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\Serving;
use Lantern\Core\Place\StoredFile;
use Lantern\Core\Visitor;
use Lantern\Core\Words\Destination;
use Lantern\Core\Words\Words;
use Lantern\Reading\Places\PlaceConditions;
use Lantern\Reading\Places\PlaceDetails;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;

/** What the pages of the storefront list. Every list is one query, and none holds what is not shown to the visitor. */
final readonly class ShopReader
{
    /** Pages, articles and collections of a list; they are shorter than products. */
    public const CARDS = 60;
    public const NEWEST_IN_FRONT = 8;
    public const ARTICLES_IN_FRONT = 3;

    /** A category and all below it. */
    public const TREE = 'WITH RECURSIVE tree AS (SELECT CAST(:category AS uuid) AS id'.self::BELOW;
    public const BELOW = " UNION SELECT c.id FROM place c JOIN tree ON c.parent_id = tree.id WHERE c.kind = 'category') ";
    private const CARD = 'p.id, p.kind, p.title, p.address, p.parent_id, p.light, p.opens_on, p.closes_on, p.audience, p.closed_answer, '
        .'p.closed_to, p.listed, p.listing_title, p.listing_description, p.serving, p.summary, p.picture, p.published_on, p.position';
    private const FACTS = 'f.sku, f.price, f.reduced_from, f.stock, f.weight, f.maker, to_jsonb(f.tags) AS tags, f.options';

    public function __construct(private Connection $connection)
    {
    }

    public function details(string $placeId): PlaceDetails
    {
        $row = new Row($this->connection->fetchAssociative(<<<'SQL'
            SELECT p.summary, p.picture, p.rule, p.file, p.published_on, p.download_name, p.filters, t.html FROM place p
            LEFT JOIN words t USING (id) WHERE p.id = ?
            SQL, [$placeId]) ?: []);

        return new PlaceDetails(
            $row->text('summary'),
            $row->textOrNull('picture'),
            new Words($row->text('html')),
            CollectionRule::fromStored($row->json('rule')),
            $row->moment('published_on'),
            StoredFile::fromStored($row->json('file')),
            $row->text('download_name'),
            $row->text('filters'),
        );
    }

    /**
     * The places of a kind that stand directly below one, in their own order.
     *
     * @return list<Card>
     */
    public function below(?string $parentId, Visitor $visitor, PlaceKind $kind): array
    {
        return $this->cardsBelow($parentId, $visitor, $kind, '', []);
    }

    /**
     * A page of the same.
     *
     * @param string|null $after id of the place that the page before ended with
     *
     * @return list<Card> one more than a page where there is a next one
     */
    public function pageBelow(?string $parentId, Visitor $visitor, PlaceKind $kind, ?string $after): array
    {
        $key = null === $after ? '' : <<<'SQL'
             AND EXISTS (SELECT FROM place a WHERE a.id = :after AND p.position >= a.position AND (p.position > a.position
                OR p.published_on < a.published_on OR p.published_on IS NULL AND a.published_on IS NOT NULL
                OR p.published_on IS NOT DISTINCT FROM a.published_on AND (p.title COLLATE by_name, p.id) > (a.title, a.id)))
            SQL;

        return $this->cardsBelow($parentId, $visitor, $kind, $key, null === $after ? [] : ['after' => $after], self::CARDS + 1);
    }

    /**
     * @param array<string, mixed> $parameters
     *
     * @return list<Card>
     */
    private function cardsBelow(
        ?string $parentId,
        Visitor $visitor,
        PlaceKind $kind,
        string $where,
        array $parameters,
        ?int $most = null,
    ): array {
        $parent = null === $parentId ? 'p.parent_id IS NULL' : 'p.parent_id = :parent';

        return $this->cards(
            'SELECT '.self::CARD." FROM place p WHERE $parent AND p.kind = :kind AND ".PlaceConditions::SHOWN.$where
                .' ORDER BY p.position, p.published_on DESC NULLS LAST, p.title COLLATE by_name, p.id'
                .(null === $most ? '' : " LIMIT $most"),
            $visitor,
            $parameters + ['kind' => $kind->value] + (null === $parentId ? [] : ['parent' => $parentId]),
        );
    }

    /**
     * Articles, newest first.
     *
     * @param string|null $after id of the article that the page before ended with
     *
     * @return list<Card>
     */
    public function articles(Visitor $visitor, int $most, ?string $after = null): array
    {
        $key = null === $after ? '' : <<<'SQL'
             AND EXISTS (SELECT FROM place a WHERE a.id = :after AND (p.published_on < a.published_on OR p.published_on IS NULL
                 AND a.published_on IS NOT NULL
                OR p.published_on IS NOT DISTINCT FROM a.published_on AND p.id > a.id))
            SQL;

        return $this->cards(
            'SELECT '.self::CARD." FROM place p WHERE p.kind = 'article' AND ".PlaceConditions::SHOWN.$key
                .' ORDER BY p.published_on DESC NULLS LAST, p.id LIMIT '.$most,
            $visitor,
            null === $after ? [] : ['after' => $after],
        );
    }

    /** @return list<string> ids of a category and of all below it */
    public function categoriesWithin(string $categoryId): array
    {
        return array_values(array_filter(
            $this->connection->fetchFirstColumn(self::TREE.'SELECT id FROM tree', ['category' => $categoryId]),
            \is_string(...),
        ));
    }

    /**
     * Cards of places by their ids, whether they are shown or not: who may see which was decided before.
     *
     * @param list<string> $ids
     *
     * @return array<string, Card> by id
     */
    public function cardsOf(array $ids, Visitor $visitor): array
    {
        $cards = [] === $ids
            ? []
            : $this->cards(
                'SELECT '.self::CARD.', '.self::FACTS
                    .' FROM place p LEFT JOIN product f ON f.id = p.id WHERE p.id = ANY (CAST(:ids AS uuid[])) AND CAST(:moment AS text) '
                        .'IS NOT NULL AND CAST(:audience AS text) IS NOT NULL',
                $visitor,
                ['ids' => PgArray::of($ids)],
            );

        return array_column(array_map(static fn (Card $card): array => ['id' => $card->place->id, 'card' => $card], $cards), 'card', 'id');
    }

    /** How many products, pages or articles the page of a place would list for a visitor; null where it lists nothing by itself. */
    public function countListed(Place $place, CollectionRule $rule, Visitor $visitor): ?int
    {
        $products = "SELECT count(*) FROM place p JOIN product f ON f.id = p.id WHERE p.kind = 'product' AND ".PlaceConditions::SHOWN
            .' AND ';
        [$sql, $parameters] = match ($place->kind) {
            PlaceKind::Category => [
                self::TREE.$products
                    .'p.id = ANY (ARRAY(SELECT s.product_id FROM standing s WHERE s.category_id = ANY (ARRAY(SELECT id FROM tree))))',
                ['category' => $place->id],
            ],
            PlaceKind::Collection => match ($rule->by) {
                'hand' => [
                    $products.'EXISTS (SELECT FROM pick k WHERE k.collection_id = :collection AND k.product_id = p.id)',
                    ['collection' => $place->id],
                ],
                'newest' => [
                    'SELECT least(count(*), '.Listing::NEWEST.") FROM place p WHERE p.kind = 'product' AND ".PlaceConditions::SHOWN,
                    [],
                ],
                default => [$products.PieceProducts::ruled($rule), 'tag' === $rule->by ? ['tag' => $rule->tag] : []],
            },
            PlaceKind::PageGroup => [
                "SELECT count(*) FROM place p WHERE p.kind = 'page' AND p.parent_id = :parent AND ".PlaceConditions::SHOWN,
                ['parent' => $place->id],
            ],
            default => [null, []],
        };
        $count = null === $sql ? null : $this->connection->fetchOne($sql, $parameters + PlaceConditions::visitor($visitor));

        return is_numeric($count) ? (int) $count : null;
    }

    /** @return list<Card> */
    public function newest(Visitor $visitor, int $most): array
    {
        return $this->cards(
            'SELECT '.self::CARD.', '.self::FACTS." FROM product f JOIN place p ON p.id = f.id WHERE p.kind = 'product' AND "
                .PlaceConditions::SHOWN.' ORDER BY f.new_since DESC, f.id LIMIT '.$most,
            $visitor,
        );
    }

    public function product(Place $place): ?ProductFacts
    {
        $row = $this->connection->fetchAssociative('SELECT '.self::FACTS.' FROM product f WHERE f.id = ?', [$place->id]);

        return false === $row ? null : self::facts(new Row($row));
    }

    /**
     * The categories a product stands in, as far as they are shown.
     *
     * @return list<Card>
     */
    public function categoriesOf(string $productId, Visitor $visitor): array
    {
        return $this->cards(
            'SELECT '.self::CARD.' FROM standing s JOIN place p ON p.id = s.category_id WHERE s.product_id = :product AND '
                .PlaceConditions::SHOWN.' ORDER BY length(p.address) DESC, p.title COLLATE by_name LIMIT 10',
            $visitor,
            ['product' => $productId],
        );
    }

    /**
     * The category that a product hangs below: the deepest of those that open, whether menus show them or not; else one that is closed,
     * which is told in words only.
     */
    public function categoryAbove(string $productId, Visitor $visitor): ?string
    {
        $id = $this->connection->fetchOne(
            'SELECT p.id FROM standing s JOIN place p ON p.id = s.category_id WHERE s.product_id = :product ORDER BY ('
                .PlaceConditions::OPENS.') DESC, length(p.address) DESC, p.title, p.id LIMIT 1',
            ['product' => $productId] + PlaceConditions::visitor($visitor),
        );

        return \is_string($id) ? $id : null;
    }

    public function words(string $placeId): Words
    {
        $html = $this->connection->fetchOne('SELECT html FROM words WHERE id = ?', [$placeId]);

        return new Words(\is_string($html) ? $html : '');
    }

    /**
     * Where the references in a text lead today.
     *
     * @param list<string> $placeIds
     *
     * @return array<string, Destination> by place id
     */
    public function destinations(array $placeIds): array
    {
        $places = [] === $placeIds ? [] : (new PlaceReader($this->connection))->byIds($placeIds);

        return array_map(
            static fn (Place $place): Destination => new Destination($place->address, Serving::NewTab === $place->serving),
            $places,
        );
    }

    /** @return list<string> the tags that products have, for whoever fills a collection by one */
    public function tags(): array
    {
        return array_values(array_filter($this->connection->fetchFirstColumn(<<<'SQL'
            SELECT choice FROM posting WHERE filter = 'tag' ORDER BY choice LIMIT 500
            SQL), \is_string(...)));
    }

    /**
     * @param array<string, mixed> $parameters
     *
     * @return list<Card>
     */
    private function cards(string $sql, Visitor $visitor, array $parameters = []): array
    {
        return array_map(self::card(...), $this->connection->fetchAllAssociative($sql, $parameters + PlaceConditions::visitor($visitor)));
    }

    /** @param array<string, mixed> $columns */
    private static function card(array $columns): Card
    {
        $row = new Row($columns);

        return new Card(
            PlaceReader::fromRow($columns),
            $row->text('summary'),
            $row->textOrNull('picture'),
            isset($columns['sku']) ? self::facts($row) : null,
            $row->moment('published_on'),
        );
    }

    private static function facts(Row $row): ProductFacts
    {
        /** @var array<string, list<string>> $options */
        $options = $row->json('options');

        return new ProductFacts(
            $row->text('sku'),
            $row->int('price'),
            $row->intOrNull('reduced_from'),
            $row->int('stock'),
            $row->int('weight'),
            $row->text('maker'),
            $row->texts('tags'),
            $options,
        );
    }
}

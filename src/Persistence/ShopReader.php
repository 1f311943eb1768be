<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Lantern\Core\Menu\Narrowing;
use Lantern\Core\Place\CollectionRule;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\Serving;
use Lantern\Core\Visitor;
use Lantern\Core\Words\Destination;
use Lantern\Core\Words\Words;

/** What the pages of the storefront list. Every list is one query, and none holds what is not shown to the visitor. */
final readonly class ShopReader
{
    public const PAGE = 24;
    public const NEWEST_IN_FRONT = 8;
    public const ARTICLES_IN_FRONT = 3;

    /** `Place::isShownTo` for the database; a test holds the two against each other. */
    public const SHOWN = "p.light = 'open' AND (p.opens_on IS NULL OR p.opens_on <= :moment) AND (p.closes_on IS NULL OR p.closes_on > :moment) AND p.audience IN ('everyone', :audience)";

    /** A category and all below it. */
    private const TREE = <<<'SQL'
        WITH RECURSIVE tree AS (
            SELECT CAST(:category AS uuid) AS id
            UNION
            SELECT c.id FROM place c JOIN tree ON c.parent_id = tree.id WHERE c.kind = 'category'
        )

        SQL;
    private const IN_TREE = 'p.id IN (SELECT s.product_id FROM standing s JOIN tree ON tree.id = s.category_id)';
    private const CARD = 'p.id, p.kind, p.title, p.address, p.parent_id, p.light, p.opens_on, p.closes_on, p.audience, p.closed_answer, p.closed_to, p.listed, p.listing_title, p.listing_description, p.serving, p.summary, p.picture, p.published_on, p.position';
    private const FACTS = 'f.sku, f.price, f.reduced_from, f.stock, f.weight, f.maker, to_jsonb(f.tags) AS tags, f.options';

    public function __construct(private Connection $connection)
    {
    }

    public function details(string $placeId): PlaceDetails
    {
        $row = new Row($this->connection->fetchAssociative('SELECT p.summary, p.picture, p.rule, p.file, p.published_on, p.download_name, t.html FROM place p LEFT JOIN words t USING (id) WHERE p.id = ?', [$placeId]) ?: []);
        /** @var array{stored: string, type: string, size: int}|null $file */
        $file = $row->json('file') ?: null;

        return new PlaceDetails($row->text('summary'), $row->textOrNull('picture'), new Words($row->text('html')), CollectionRule::fromStored($row->json('rule')), $row->moment('published_on'), $file, $row->text('download_name'));
    }

    /** @return array<string, string> the shop's details by name */
    public function settings(): array
    {
        $settings = [];
        foreach ($this->connection->fetchAllAssociative("SELECT id, value #>> '{}' AS value FROM setting") as $columns) {
            $row = new Row($columns);
            $settings[$row->text('id')] = $row->text('value');
        }

        return $settings;
    }

    /**
     * The places of these kinds that stand directly below one, in their own order.
     *
     * @return list<Card>
     */
    public function below(?string $parentId, Visitor $visitor, PlaceKind ...$kinds): array
    {
        $where = null === $parentId ? 'p.parent_id IS NULL' : 'p.parent_id = :parent';

        return $this->cards('SELECT '.self::CARD." FROM place p WHERE $where AND p.kind IN (:kinds) AND ".self::SHOWN.' ORDER BY p.position, p.published_on DESC NULLS LAST, p.title, p.id LIMIT 200', $visitor, [
            'kinds' => array_map(static fn (PlaceKind $kind): string => $kind->value, $kinds),
        ] + (null === $parentId ? [] : ['parent' => $parentId]));
    }

    /**
     * Articles, newest first.
     *
     * @return list<Card>
     */
    public function articles(Visitor $visitor, int $most): array
    {
        return $this->cards('SELECT '.self::CARD." FROM place p WHERE p.kind = 'article' AND ".self::SHOWN.' ORDER BY p.published_on DESC NULLS LAST, p.id LIMIT '.$most, $visitor);
    }

    /**
     * The products of a category and of all categories below it, by name.
     *
     * @param string|null $after id of the product that the page before ended with
     *
     * @return list<Card>
     */
    public function productsOfCategory(string $categoryId, Visitor $visitor, ?string $after = null, Narrowing $narrowing = new Narrowing()): array
    {
        [$narrowed, $parameters] = self::narrowed($narrowing);

        return $this->productPage(self::TREE, self::IN_TREE.$narrowed, $visitor, $after, ['category' => $categoryId] + $parameters);
    }

    /**
     * The products of a collection: those picked by hand, or those its rule finds.
     *
     * @return list<Card>
     */
    public function productsOfCollection(string $collectionId, CollectionRule $rule, Visitor $visitor, ?string $after = null, Narrowing $narrowing = new Narrowing()): array
    {
        [$narrowed, $parameters] = self::narrowed($narrowing);

        return match ($rule->by) {
            'hand' => $this->cards('SELECT '.self::CARD.', '.self::FACTS.' FROM pick k JOIN place p ON p.id = k.product_id JOIN product f ON f.id = p.id WHERE k.collection_id = :collection AND '.self::SHOWN.$narrowed.' ORDER BY k.position, p.id LIMIT 200', $visitor, ['collection' => $collectionId] + $parameters),
            'newest' => $this->newest($visitor, self::PAGE, $narrowing),
            default => $this->productPage('', self::ruled($rule).$narrowed, $visitor, $after, ('tag' === $rule->by ? ['tag' => $rule->tag] : []) + $parameters),
        };
    }

    /** How many products, pages or articles the page of a place would list for a visitor; null where it lists nothing by itself. */
    public function countListed(Place $place, CollectionRule $rule, Visitor $visitor): ?int
    {
        $products = "SELECT count(*) FROM place p JOIN product f ON f.id = p.id WHERE p.kind = 'product' AND ".self::SHOWN.' AND ';
        [$sql, $parameters] = match ($place->kind) {
            PlaceKind::Category => [self::TREE.$products.self::IN_TREE, ['category' => $place->id]],
            PlaceKind::Collection => match ($rule->by) {
                'hand' => [$products.'EXISTS (SELECT FROM pick k WHERE k.collection_id = :collection AND k.product_id = p.id)', ['collection' => $place->id]],
                'newest' => ['SELECT least(count(*), '.self::PAGE.") FROM place p WHERE p.kind = 'product' AND ".self::SHOWN, []],
                default => [$products.self::ruled($rule), 'tag' === $rule->by ? ['tag' => $rule->tag] : []],
            },
            PlaceKind::PageGroup => ["SELECT count(*) FROM place p WHERE p.kind = 'page' AND p.parent_id = :parent AND ".self::SHOWN, ['parent' => $place->id]],
            default => [null, []],
        };
        $count = null === $sql ? null : $this->connection->fetchOne($sql, $parameters + self::visitor($visitor));

        return is_numeric($count) ? (int) $count : null;
    }

    private static function ruled(CollectionRule $rule): string
    {
        return match ($rule->by) {
            'tag' => 'f.tags @> ARRAY[CAST(:tag AS text)]',
            'reduced' => 'f.reduced_from IS NOT NULL',
            'featured' => 'f.featured',
            default => 'true',
        };
    }

    /** @return list<Card> */
    public function newest(Visitor $visitor, int $most, Narrowing $narrowing = new Narrowing()): array
    {
        [$narrowed, $parameters] = self::narrowed($narrowing);

        return $this->cards('SELECT '.self::CARD.', '.self::FACTS." FROM product f JOIN place p ON p.id = f.id WHERE p.kind = 'product' AND ".self::SHOWN.$narrowed.' ORDER BY f.new_since DESC, f.id LIMIT '.$most, $visitor, $parameters);
    }

    /** @return list<Card> */
    public function allProducts(Visitor $visitor, ?string $after = null, Narrowing $narrowing = new Narrowing()): array
    {
        [$narrowed, $parameters] = self::narrowed($narrowing);

        return $this->productPage('', 'true'.$narrowed, $visitor, $after, $parameters);
    }

    /** @return array{string, array<string, mixed>} a condition that begins with AND, or nothing */
    private static function narrowed(Narrowing $narrowing): array
    {
        $conditions = array_filter([
            'ntag' => '' === $narrowing->tag ? null : 'f.tags @> ARRAY[CAST(:ntag AS text)]',
            'nfrom' => null === $narrowing->priceFrom ? null : 'f.price >= :nfrom',
            'nto' => null === $narrowing->priceTo ? null : 'f.price <= :nto',
            'nstock' => $narrowing->inStock ? 'f.stock > 0' : null,
            'noption' => '' === $narrowing->option ? null : 'jsonb_exists(f.options -> :noption, :nchoice)',
        ]);
        $parameters = ['ntag' => $narrowing->tag, 'nfrom' => $narrowing->priceFrom, 'nto' => $narrowing->priceTo, 'noption' => $narrowing->option];

        return [
            implode('', array_map(static fn (string $condition): string => " AND $condition", $conditions)),
            array_intersect_key($parameters, $conditions) + (isset($conditions['noption']) ? ['nchoice' => $narrowing->choice] : []),
        ];
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
        return $this->cards('SELECT '.self::CARD.' FROM standing s JOIN place p ON p.id = s.category_id WHERE s.product_id = :product AND '.self::SHOWN.' ORDER BY length(p.address) DESC, p.title LIMIT 10', $visitor, ['product' => $productId]);
    }

    /**
     * What visitors find by words: places whose title or summary has all of them.
     *
     * @return list<Card>
     */
    public function search(string $words, Visitor $visitor): array
    {
        $terms = \array_slice(preg_split('/\s+/u', trim($words), -1, \PREG_SPLIT_NO_EMPTY) ?: [], 0, 8);
        if ([] === $terms) {
            return [];
        }
        $where = '';
        $parameters = [];
        foreach ($terms as $n => $term) {
            $where .= " AND (p.title || ' ' || p.summary) ILIKE :term$n";
            $parameters["term$n"] = '%'.addcslashes($term, '%_\\').'%';
        }

        return $this->cards('SELECT '.self::CARD.', '.self::FACTS." FROM place p LEFT JOIN product f ON f.id = p.id WHERE p.kind NOT IN ('front-page', 'search') AND ".self::SHOWN.$where." ORDER BY (p.kind = 'product'), p.title, p.id LIMIT 60", $visitor, $parameters);
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

        return array_map(static fn (Place $place): Destination => new Destination($place->address, Serving::NewTab === $place->serving), $places);
    }

    /** @return array<string, list<string>> the options that products have, with their choices, for whoever narrows a list by one */
    public function options(): array
    {
        $options = [];
        foreach ($this->connection->fetchAllAssociative('SELECT DISTINCT o.key AS name, c.value AS choice FROM product f, jsonb_each(f.options) AS o, jsonb_array_elements_text(o.value) AS c ORDER BY 1, 2 LIMIT 500') as $columns) {
            $row = new Row($columns);
            $options[$row->text('name')][] = $row->text('choice');
        }

        return $options;
    }

    /** @return list<string> the tags that products have, for whoever fills a collection by one */
    public function tags(): array
    {
        return array_values(array_filter($this->connection->fetchFirstColumn('SELECT DISTINCT unnest(tags) AS tag FROM product ORDER BY tag LIMIT 500'), \is_string(...)));
    }

    /**
     * @param array<string, mixed> $parameters
     *
     * @return list<Card>
     */
    private function productPage(string $with, string $where, Visitor $visitor, ?string $after, array $parameters = []): array
    {
        $key = null === $after ? '' : ' AND (p.title, p.id) > (SELECT title, id FROM place WHERE id = :after)';
        $sql = "$with SELECT ".self::CARD.', '.self::FACTS." FROM place p JOIN product f ON f.id = p.id WHERE p.kind = 'product' AND $where AND ".self::SHOWN.$key.' ORDER BY p.title, p.id LIMIT '.(self::PAGE + 1);

        return $this->cards($sql, $visitor, $parameters + (null === $after ? [] : ['after' => $after]));
    }

    /**
     * @param array<string, mixed> $parameters
     *
     * @return list<Card>
     */
    private function cards(string $sql, Visitor $visitor, array $parameters = []): array
    {
        $parameters += self::visitor($visitor);
        $types = isset($parameters['kinds']) ? ['kinds' => ArrayParameterType::STRING] : [];

        return array_map(static function (array $columns): Card {
            $row = new Row($columns);

            return new Card(
                PlaceReader::fromRow($columns),
                $row->text('summary'),
                $row->textOrNull('picture'),
                isset($columns['sku']) ? self::facts($row) : null,
                $row->moment('published_on'),
            );
        }, $this->connection->fetchAllAssociative($sql, $parameters, $types));
    }

    /** @return array{moment: string, audience: string} what `SHOWN` asks for */
    private static function visitor(Visitor $visitor): array
    {
        return ['moment' => $visitor->moment->format(\DATE_ATOM), 'audience' => $visitor->signedIn ? 'customers' : 'guests'];
    }

    private static function facts(Row $row): ProductFacts
    {
        /** @var array<string, list<string>> $options */
        $options = $row->json('options');

        return new ProductFacts($row->text('sku'), $row->int('price'), $row->intOrNull('reduced_from'), $row->int('stock'), $row->int('weight'), $row->text('maker'), $row->texts('tags'), $options);
    }
}

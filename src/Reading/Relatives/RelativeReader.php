<?php

declare(strict_types=1);

namespace Lantern\Reading\Relatives;

use Doctrine\DBAL\Connection;
use Lantern\Core\Impact\Relative;
use Lantern\Core\Impact\Relatives;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Places\PlaceTable;
use Lantern\Reading\Sql\Row;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Finds where the visitors of a place could go, should it be no more: above it, by name, by products they have in common. */
final readonly class RelativeReader
{
    private const MOST_PRODUCTS = 500;

    /** The products of a place p that lists some. */
    private const PRODUCTS = <<<'SQL'
        SELECT product_id FROM standing WHERE category_id = p.id
        UNION SELECT product_id FROM pick WHERE collection_id = p.id
        UNION SELECT f.id FROM product f WHERE p.kind = 'collection' AND (p.rule->>'by' = 'tag' AND f.tags @> ARRAY[p.rule->>'tag']
            OR p.rule->>'by' = 'reduced' AND f.reduced_from IS NOT NULL OR p.rule->>'by' = 'featured' AND f.featured)
        SQL;

    public function __construct(
        private Copies $copies,
        private PlaceTable $table,
        private ClockInterface $clock,
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
    ) {
    }

    /** @return list<Relative> nearest first */
    public function of(Place $place): array
    {
        $places = $this->copies->workbench->places;
        $parent = null === $place->parentId ? $this->fixedAbove($place) : $places->get($place->parentId);
        [$shared, $of] = $this->sharedProducts($place);
        $others = $this->table->alike([$place->title])[$place->title] ?? [];
        $others = [
            ...$others,
            ...array_values($places->byIds(array_keys($shared))),
            ...(null === $place->parentId ? [] : $places->childrenOf($place->parentId, 50)),
        ];
        $once = [];
        foreach ($others as $other) {
            $once[$other->id] = $other;
        }

        return Relatives::nearest($place, $parent, array_values($once), $shared, $of, $this->clock->now());
    }

    private function fixedAbove(Place $place): ?Place
    {
        $places = $this->copies->workbench->places;

        return match ($place->kind) {
            PlaceKind::Collection => $places->fixed(PlaceKind::AllCollections),
            PlaceKind::Category => $places->fixed(PlaceKind::AllProducts),
            PlaceKind::Product => $this->deepestCategory($place->id) ?? $places->fixed(PlaceKind::AllProducts),
            PlaceKind::Article => $places->fixed(PlaceKind::Journal),
            default => $places->fixed(PlaceKind::FrontPage),
        };
    }

    private function deepestCategory(string $productId): ?Place
    {
        $id = $this->connection->fetchOne(<<<'SQL'
            SELECT c.id FROM standing s JOIN place c ON c.id = s.category_id WHERE s.product_id = ?
            ORDER BY length(c.address) DESC, c.id LIMIT 1
            SQL, [$productId]);

        return \is_string($id) ? $this->copies->workbench->places->get($id) : null;
    }

    /** @return array{array<string, int>, int} how many products others have in common with it, by id; how many it has */
    private function sharedProducts(Place $place): array
    {
        if (!\in_array($place->kind, [PlaceKind::Category, PlaceKind::Collection], true)) {
            return [[], 0];
        }
        $products = self::PRODUCTS;
        $most = self::MOST_PRODUCTS;
        $rows = $this->connection->fetchAllAssociative(<<<SQL
            WITH own AS (SELECT o.product_id FROM place p CROSS JOIN LATERAL ($products) o WHERE p.id = :id ORDER BY 1 LIMIT $most)
            SELECT NULL AS id, count(*) AS common FROM own
            UNION ALL (
                SELECT CAST(other.id AS text), count(DISTINCT other.product_id) FROM (
                    SELECT s.category_id AS id, s.product_id FROM standing s JOIN own USING (product_id)
                    UNION ALL SELECT k.collection_id, k.product_id FROM pick k JOIN own USING (product_id)
                    UNION ALL SELECT p.id, f.id FROM own JOIN product f ON f.id = own.product_id JOIN place p ON p.kind = 'collection'
                        AND (p.rule->>'by' = 'tag' AND p.rule->>'tag' = ANY (f.tags) OR p.rule->>'by' = 'reduced'
                        AND f.reduced_from IS NOT NULL OR p.rule->>'by' = 'featured' AND f.featured)
                ) other WHERE other.id <> :id GROUP BY other.id ORDER BY 2 DESC LIMIT 20
            )
            SQL, ['id' => $place->id]);
        $shared = [];
        $of = 0;
        foreach ($rows as $columns) {
            $row = new Row($columns);
            $id = $row->textOrNull('id');
            if (null === $id) {
                $of = $row->int('common');
            } else {
                $shared[$id] = $row->int('common');
            }
        }

        return [$shared, $of];
    }
}

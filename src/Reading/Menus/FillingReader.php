<?php

declare(strict_types=1);

namespace Lantern\Reading\Menus;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Lantern\Core\Menu\FillingOrder;
use Lantern\Core\Menu\FillingSource;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Reading\Sql\Row;

/** What could stand below the self-filling entries of menus: two queries at most, however many there are. */
final readonly class FillingReader
{
    /** Beyond what is shown, for those that dates, an audience or a hand leave out. */
    private const SPARE = 60;

    public function __construct(private Connection $connection)
    {
    }

    /**
     * @param iterable<Tree> $trees
     * @param string|null    $besides id of a place that is to be among them whatever its light, where it belongs
     *
     * @return array<string, list<Place>> by entry id, in the order of each rule; who may see which is for the core to say
     */
    public function candidates(iterable $trees, \DateTimeImmutable $moment, ?string $besides = null): array
    {
        $fillings = [];
        foreach ($trees as $tree) {
            foreach ($tree->all() as $entry) {
                if (null !== $entry->filling) {
                    $fillings[$entry->id] = $entry->filling;
                }
            }
        }
        if ([] === $fillings) {
            return [];
        }
        $rules = $this->rules($fillings);
        $parts = [];
        $parameters = ['moment' => $moment->format(\DATE_ATOM), 'besides' => $besides];
        $n = 0;
        foreach ($fillings as $id => $filling) {
            [$from, $order, $more] = $this->source($filling, $rules[$filling->placeId ?? ''] ?? ['all', ''], $n);
            $parameters += $more + ["entry$n" => $id];
            $limit = ($filling->most + \count($filling->leftOut)) * (
                FillingSource::Categories === $filling->source ? SelfFilling::MOST : 1
            ) + self::SPARE;
            $parts[] = <<<SQL
                (SELECT CAST(:entry$n AS text) AS entry_id, row_number() OVER (ORDER BY $order) AS nth, p.* FROM $from
                AND (p.light = 'open' AND (p.closes_on IS NULL OR p.closes_on > CAST(:moment AS timestamptz))
                    OR p.id = CAST(:besides AS uuid))
                ORDER BY $order LIMIT $limit)
                SQL;
            ++$n;
        }
        $candidates = array_fill_keys(array_keys($fillings), []);
        foreach ($this->connection->fetchAllAssociative(
            'SELECT * FROM ('.implode(' UNION ALL ', $parts).') AS filled ORDER BY entry_id, nth',
            $parameters,
        ) as $columns) {
            $candidates[(new Row($columns))->text('entry_id')][] = PlaceReader::fromRow($columns);
        }

        return $candidates;
    }

    /**
     * @param array{string, string} $rule how the source comes by its products, and the tag where it is by one
     *
     * @return array{string, string, array<string, mixed>} tables with a condition, an order, parameters
     */
    private function source(SelfFilling $filling, array $rule, int $n): array
    {
        [$by, $tag] = $rule;
        $place = ["place$n" => $filling->placeId];
        $order = match ($filling->order) {
            FillingOrder::Name => 'p.title COLLATE by_name, p.id',
            FillingOrder::Price => 'f.price, p.id',
            FillingOrder::Newest => PlaceKind::Product === $filling->kind || FillingSource::Products === $filling->source
                ? 'f.new_since DESC, f.id'
                : 'p.published_on DESC NULLS LAST, p.id DESC',
            FillingOrder::Hand => 'p.position, p.title COLLATE by_name, p.id',
        };
        if (FillingSource::Newest === $filling->source) {
            return match ($filling->kind) {
                PlaceKind::Product => ["place p JOIN product f ON f.id = p.id WHERE p.kind = 'product'", 'f.new_since DESC, f.id', []],
                default => [
                    "place p WHERE p.kind = :kind$n",
                    'p.published_on DESC NULLS LAST, p.id DESC',
                    ["kind$n" => $filling->kind?->value],
                ],
            };
        }
        if (FillingSource::Pages === $filling->source) {
            return ["place p WHERE p.kind = 'page' AND p.parent_id = CAST(:place$n AS uuid)", $order, $place];
        }
        if (FillingSource::Categories === $filling->source) {
            $below = null === $filling->placeId ? 'IS NULL' : "= CAST(:place$n AS uuid)";
            $deeper = 2 === $filling->depth
                ? "OR p.parent_id IN (SELECT c.id FROM place c WHERE c.kind = 'category' AND c.parent_id $below)"
                : '';

            return ["place p WHERE p.kind = 'category' AND (p.parent_id $below $deeper)", $order, null === $filling->placeId ? [] : $place];
        }
        $products = "place p JOIN product f ON f.id = p.id WHERE p.kind = 'product'";

        return match ($by) {
            'all' => [$products, $order, []],
            'category' => [
                "$products AND p.id IN (WITH RECURSIVE tree AS (SELECT CAST(:place$n AS uuid) AS id UNION SELECT c.id FROM place c JOIN "
                    ."tree ON c.parent_id = tree.id WHERE c.kind = 'category') SELECT s.product_id FROM standing s WHERE s.category_id = "
                    .'ANY (ARRAY(SELECT id FROM tree)))',
                $order,
                $place,
            ],
            'hand' => [
                "pick k JOIN place p ON p.id = k.product_id JOIN product f ON f.id = p.id WHERE k.collection_id = CAST(:place$n AS uuid)",
                FillingOrder::Hand === $filling->order ? 'k.position, p.id' : $order,
                $place,
            ],
            'tag' => ["$products AND f.tags @> ARRAY[CAST(:tag$n AS text)]", $order, ["tag$n" => $tag]],
            'reduced' => ["$products AND f.reduced_from IS NOT NULL", $order, []],
            'featured' => ["$products AND f.featured", $order, []],
            default => [$products, FillingOrder::Hand === $filling->order ? 'f.new_since DESC, f.id' : $order, []],
        };
    }

    /**
     * @param array<string, SelfFilling> $fillings
     *
     * @return array<string, array{string, string}> by id of the category or collection
     */
    private function rules(array $fillings): array
    {
        $ids = [];
        foreach ($fillings as $filling) {
            if (FillingSource::Products === $filling->source && null !== $filling->placeId) {
                $ids[] = $filling->placeId;
            }
        }
        $rules = [];
        if ([] !== $ids) {
            foreach ($this->connection->fetchAllAssociative(<<<'SQL'
                SELECT id, kind, COALESCE(rule ->> 'by', 'hand') AS by, rule ->> 'tag' AS tag FROM place WHERE id IN (?)
                SQL, [$ids], [ArrayParameterType::STRING]) as $columns) {
                $row = new Row($columns);
                $rules[$row->text('id')] = match ($row->text('kind')) {
                    'category' => ['category', ''],
                    'collection' => [$row->text('by'), $row->text('tag')],
                    default => ['all', ''],
                };
            }
        }

        return $rules;
    }
}

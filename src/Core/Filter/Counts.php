<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

/** How many products of a listing there are under what is chosen, and how many each further choice would leave. */
final readonly class Counts
{
    /**
     * @param int                               $total   of products that are left
     * @param array<string, int>                $without by the key of a filter: what is left by all the others
     * @param array<string, array<string, int>> $choices by filter and value: what choosing it leaves under all other filters; of what
     *            leaves none, only the chosen
     * @param int|null                          $lowest  price under all filters but that of price; null where nothing is left by them
     */
    public function __construct(public int $total, public array $without, public array $choices, public ?int $lowest, public ?int $highest)
    {
    }

    /**
     * The plain way to count: every product is held against every filter. What a database counts is held against it.
     *
     * @param list<Item>   $items      of the listing
     * @param Narrowing    $narrowing  only of what is known to the shop
     * @param list<Filter> $asked      filters of the listing; those in which something is chosen are counted, too
     * @param list<string> $categories ids of those that may be chosen
     */
    public static function of(array $items, Narrowing $narrowing, array $asked, Filters $filters, array $categories = []): self
    {
        $narrowing = $filters->canonical($narrowing);
        $asked = [...$asked, ...array_map(Filter::named(...), $narrowing->keys())];
        $keys = array_values(array_unique(array_map(static fn (Filter $filter): string => $filter->key(), $asked), \SORT_STRING));
        $without = $choices = [];
        $prices = [];
        foreach ($keys as $key) {
            $filter = Filter::named($key);
            $left = array_filter($items, static fn (Item $item): bool => self::leaves($item, $narrowing->without($key), $filters));
            $without[$key] = \count($left);
            $counted = [];
            foreach ($left as $item) {
                foreach (self::chosenBy($item, $filter, $filters) as $value) {
                    $counted[$value] = ($counted[$value] ?? 0) + 1;
                }
            }
            if (FilterKind::Category === $filter->kind) {
                $counted = array_intersect_key($counted, array_flip([...$categories, ...$narrowing->categoryIds()]));
            }
            $chosen = FilterKind::Availability === $filter->kind && $narrowing->inStock ? ['yes'] : $narrowing->choices[$key] ?? [];
            $choices[$key] = $counted + array_fill_keys($chosen, 0);
            if (FilterKind::Price === $filter->kind) {
                $prices = array_map(static fn (Item $item): int => $item->price, $left);
            }
        }

        return new self(
            \count(array_filter($items, static fn (Item $item): bool => self::leaves($item, $narrowing, $filters))),
            $without,
            array_filter($choices, static fn (string $key): bool => FilterKind::Price->value !== $key, \ARRAY_FILTER_USE_KEY),
            [] === $prices ? null : min($prices),
            [] === $prices ? null : max($prices),
        );
    }

    /** Whether a product is among what somebody has chosen. */
    public static function leaves(Item $item, Narrowing $narrowing, Filters $filters): bool
    {
        foreach ($filters->canonical($narrowing)->choices as $key => $values) {
            if ([] === array_intersect(self::chosenBy($item, Filter::named($key), $filters), $values)) {
                return false;
            }
        }

        return (null === $narrowing->priceFrom || $item->price >= $narrowing->priceFrom)
            && (null === $narrowing->priceTo || $item->price <= $narrowing->priceTo)
            && (!$narrowing->inStock || $item->inStock);
    }

    /** @return list<string> choices of a filter that a product is found by */
    private static function chosenBy(Item $item, Filter $filter, Filters $filters): array
    {
        if (FilterKind::Availability === $filter->kind) {
            return $item->inStock ? ['yes'] : [];
        }

        return array_values(array_unique(
            array_map($filters->setting($filter->key())->canonical(...), $item->values($filter)),
            \SORT_STRING,
        ));
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

/** The filters of one listing as a visitor sees them, and what is chosen in them. */
final readonly class ShownFilters
{
    public const IN_STOCK = 'In stock';

    /**
     * @param list<ShownFilter> $filters
     * @param list<Chosen>      $chosen
     * @param Chosen|null       $drop    of the filters in which something is chosen, the one whose absence leaves most; null where products
     *            are left
     * @param int               $dropped how many that would be
     */
    private function __construct(public int $total, public array $filters, public array $chosen, public ?Chosen $drop, public int $dropped)
    {
    }

    /**
     * @param list<Filter>          $asked      of the listing, in their order
     * @param Narrowing             $narrowing  only of what is known to the shop
     * @param array<string, string> $categories titles of those that may be chosen or are, by id, in their order
     * @param bool                  $all        also filters that narrow nothing today: for whoever leads an entry to what there will be
     */
    public static function of(
        Counts $counts,
        Narrowing $narrowing,
        array $asked,
        Filters $filters,
        array $categories = [],
        bool $all = false,
    ): self {
        $narrowing = $filters->canonical($narrowing);
        $shown = [];
        foreach ($asked as $filter) {
            $one = self::filter($filter, $counts, $narrowing, $filters, $categories, $all);
            if (null !== $one) {
                $shown[] = $one;
            }
        }
        $chosen = self::chosen($narrowing, $asked, $filters, $categories);

        return new self($counts->total, $shown, $chosen, ...self::drop($counts, $narrowing, $asked, $filters));
    }

    /** @param array<string, string> $categories */
    private static function filter(
        Filter $filter,
        Counts $counts,
        Narrowing $narrowing,
        Filters $filters,
        array $categories,
        bool $all,
    ): ?ShownFilter {
        $key = $filter->key();
        $label = $filters->label($filter);
        if (FilterKind::Price === $filter->kind) {
            $isChosen = null !== $narrowing->priceFrom || null !== $narrowing->priceTo;

            return $all || $isChosen || $counts->lowest !== $counts->highest
                ? new ShownFilter($filter, $label, [], $counts->lowest, $counts->highest)
                : null;
        }
        $choices = [];
        foreach ($counts->choices[$key] ?? [] as $value => $count) {
            $value = (string) $value;
            $isChosen = FilterKind::Availability === $filter->kind ? $narrowing->inStock : $narrowing->isChosen($key, $value);
            if ($isChosen || $count > 0) {
                $choices[] = new ShownChoice($value, self::choiceLabel($filter, $value, $filters, $categories), $count, $isChosen);
            }
        }
        $narrows = array_filter(
            $choices,
            static fn (ShownChoice $choice): bool => $choice->chosen || $choice->count < ($counts->without[$key] ?? 0),
        );
        // One choice that all have says nothing; several that all have can be told from one another, but leave all the same.
        if ([] === $choices || (!$all && [] === $narrows && 1 === \count($choices))) {
            return null;
        }

        return new ShownFilter(
            $filter,
            $label,
            self::ordered($choices, $filter, $filters->setting($key), array_map(strval(...), array_keys($categories))),
        );
    }

    /** @param array<string, string> $categories */
    private static function choiceLabel(Filter $filter, string $value, Filters $filters, array $categories): string
    {
        $label = $filters->setting($filter->key())->labelOf($value);

        return match ($filter->kind) {
            FilterKind::Availability => $label === $value ? self::IN_STOCK : $label,
            FilterKind::Category => $label === $value ? $categories[$value] ?? '' : $label,
            default => $label,
        };
    }

    /**
     * @param list<ShownChoice> $choices
     * @param list<string>      $categories ids, in the order of the shop
     *
     * @return list<ShownChoice>
     */
    private static function ordered(array $choices, Filter $filter, FilterSetting $setting, array $categories): array
    {
        $byHand = array_flip(match (true) {
            ChoiceOrder::Hand === $setting->order => $setting->byHand,
            FilterKind::Category === $filter->kind && ChoiceOrder::Name === $setting->order => $categories,
            default => [],
        });
        $byName = new \Collator('en');
        $byName->setAttribute(\Collator::NUMERIC_COLLATION, \Collator::ON);
        usort($choices, static fn (
            ShownChoice $a,
            ShownChoice $b,
        ): int => (ChoiceOrder::Count === $setting->order ? $b->count <=> $a->count : 0)
            ?: ($byHand[$a->value] ?? \PHP_INT_MAX) <=> ($byHand[$b->value] ?? \PHP_INT_MAX)
            ?: (int) $byName->compare($a->label, $b->label)
            ?: strcmp($a->value, $b->value));

        return $choices;
    }

    /**
     * In the order of the listing's filters, then what it has no filter for.
     *
     * @param list<Filter>          $asked
     * @param array<string, string> $categories
     *
     * @return list<Chosen>
     */
    private static function chosen(Narrowing $narrowing, array $asked, Filters $filters, array $categories): array
    {
        $chosen = [];
        foreach (self::inOrder($narrowing, $asked) as $key) {
            $filter = Filter::named($key);
            if ($filter->kind->hasValues()) {
                foreach ($narrowing->choices[$key] as $value) {
                    $chosen[] = new Chosen(
                        $filters->label($filter),
                        self::choiceLabel($filter, $value, $filters, $categories),
                        $narrowing->without($key, $value),
                    );
                }
            } else {
                $chosen[] = self::whole($narrowing, $filter, $filters);
            }
        }

        return $chosen;
    }

    /**
     * @param list<Filter> $asked
     *
     * @return array{Chosen|null, int}
     */
    private static function drop(Counts $counts, Narrowing $narrowing, array $asked, Filters $filters): array
    {
        $most = 0;
        $drop = null;
        foreach (0 === $counts->total ? self::inOrder($narrowing, $asked) : [] as $key) {
            $left = $counts->without[$key] ?? 0;
            if ($left > $most) {
                [$most, $drop] = [$left, self::whole($narrowing, Filter::named($key), $filters)];
            }
        }

        return [$drop, $most];
    }

    private static function whole(Narrowing $narrowing, Filter $filter, Filters $filters): Chosen
    {
        $words = match ($filter->kind) {
            FilterKind::Price => Narrowing::priceWords($narrowing->priceFrom, $narrowing->priceTo),
            FilterKind::Availability => self::choiceLabel($filter, 'yes', $filters, []),
            default => '',
        };

        return new Chosen($filters->label($filter), $words, $narrowing->without($filter->key()));
    }

    /**
     * @param list<Filter> $asked
     *
     * @return list<string> keys of the filters in which something is chosen
     */
    private static function inOrder(Narrowing $narrowing, array $asked): array
    {
        $keys = array_map(static fn (Filter $filter): string => $filter->key(), $asked);

        return array_values(array_unique([...array_intersect($keys, $narrowing->keys()), ...$narrowing->keys()], \SORT_STRING));
    }
}

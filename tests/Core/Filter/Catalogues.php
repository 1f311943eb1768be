<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Filter;

use Lantern\Core\Filter\Filter;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\FilterSetting;
use Lantern\Core\Filter\Item;
use Lantern\Core\Filter\Narrowing;

/** Random small catalogues, settings of filters and choices, each from its seed. Small, so that they often meet. */
final class Catalogues
{
    public const KEYS = ['in-stock', 'price', 'category', 'maker', 'tag', 'option.Size', 'option.Pack'];
    private const MAKERS = ['Hollin', 'Ludd', 'Pear', '10', '9'];
    private const TAGS = ['gift', 'valley', '0'];
    private const SIZES = ['A4', '50x70', '50 × 70 cm', '70 × 100 cm'];
    private const PACKS = ['10', '50', '9'];

    /**
     * @param list<string>                $ids        of the products
     * @param array<string, list<string>> $categories each with those above it, by id
     *
     * @return list<Item>
     */
    public static function items(int $seed, array $ids, array $categories): array
    {
        mt_srand($seed);

        return array_map(static fn (string $id): Item => new Item(
            $id,
            [0, 1, 480, 500, 520, 16_777_215, mt_rand(0, 2000)][mt_rand(0, 6)],
            0 !== mt_rand(0, 2),
            [...self::MAKERS, ''][mt_rand(0, 5)],
            self::some(self::TAGS),
            array_filter(
                ['Size' => self::some(self::SIZES), 'Pack' => self::some(self::PACKS)],
                static fn (array $values): bool => [] !== $values || 0 === mt_rand(0, 3),
            ),
            array_values(array_unique(array_merge(
                [],
                ...array_map(static fn (string $id): array => [$id, ...$categories[$id]], self::some(array_keys($categories))),
            ))),
        ), $ids);
    }

    /** @param list<string> $categories ids */
    public static function narrowing(int $seed, array $categories): Narrowing
    {
        mt_srand($seed + 1);
        $choices = [
            'maker' => self::seldom(self::MAKERS),
            'tag' => self::seldom(self::TAGS),
            'option.Size' => self::seldom(self::SIZES),
            'option.Pack' => self::seldom(self::PACKS),
            'category' => self::seldom($categories),
            'option.Gone' => self::seldom(['x']),
        ];
        $from = [null, null, 0, 480, 501, 99_999][mt_rand(0, 5)];

        return new Narrowing($choices, $from, [null, null, ($from ?? 0) + 40, ($from ?? 0) + 500][mt_rand(0, 3)], 0 === mt_rand(0, 3));
    }

    /** Some sizes that mean the same, at times. */
    public static function filters(int $seed): Filters
    {
        mt_srand($seed + 2);
        $same = [[], [], ['50x70' => '50 × 70 cm'], ['A4' => '50x70', '70 × 100 cm' => '50x70'], ['50x70' => 'Half sheet']][mt_rand(0, 4)];

        return Filters::of([
            'filter.option.Size' => (new FilterSetting(same: $same))->stored(),
            'filter.maker' => (new FilterSetting(same: 0 === mt_rand(0, 2) ? ['9' => '10'] : []))->stored(),
        ]);
    }

    /** @return list<Filter> of a listing */
    public static function asked(int $seed): array
    {
        mt_srand($seed + 3);
        $keys = self::some([...self::KEYS, 'option.None']);
        shuffle($keys);

        return array_map(Filter::named(...), $keys);
    }

    /**
     * @param list<string> $all
     *
     * @return list<string>
     */
    public static function some(array $all): array
    {
        return array_values(array_filter($all, static fn (): bool => 0 === mt_rand(0, 2)));
    }

    /**
     * @param list<string> $all
     *
     * @return list<string>
     */
    private static function seldom(array $all): array
    {
        return 0 === mt_rand(0, 2) ? self::some($all) : [];
    }
}

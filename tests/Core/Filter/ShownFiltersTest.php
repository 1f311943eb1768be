<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Filter;

use Lantern\Core\Filter\ChoiceOrder;
use Lantern\Core\Filter\Chosen;
use Lantern\Core\Filter\Counts;
use Lantern\Core\Filter\Filter;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\FilterSetting;
use Lantern\Core\Filter\Item;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Filter\ShownChoice;
use Lantern\Core\Filter\ShownFilter;
use Lantern\Core\Filter\ShownFilters;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ShownFiltersTest extends TestCase
{
    public function testAFilterWithOneChoiceThatNarrowsNothingIsNotShown(): void
    {
        $items = [new Item('1', 500, true, 'Ludd', ['gift']), new Item('2', 500, true, 'Ludd')];
        self::assertSame(['tag'], self::keys(self::shown($items, new Narrowing())), 'one maker, one price, all in stock');
        self::assertSame(
            ['maker', 'tag'],
            self::keys(self::shown($items, new Narrowing(['maker' => ['Ludd']]))),
            'what is chosen can be taken back',
        );
        self::assertSame(
            ['in-stock', 'price', 'maker', 'tag'],
            self::keys(self::shown($items, new Narrowing(), true)),
            'who plans for tomorrow sees all',
        );
    }

    public function testAChoiceThatWouldLeaveNoneIsShownOnlyWhileItIsChosen(): void
    {
        $items = [
            new Item('1', 500, true, 'Ludd', ['gift']),
            new Item('2', 700, true, 'Pear'),
            new Item('3', 700, true, 'Hollin', ['gift']),
        ];
        [$maker] = self::shown($items, new Narrowing(['maker' => ['Pear'], 'tag' => ['gift']]))->filters;
        self::assertSame('maker', $maker->filter->key());
        self::assertSame(
            [['Hollin', 1, false], ['Ludd', 1, false], ['Pear', 0, true]],
            array_map(static fn (ShownChoice $choice): array => [$choice->label, $choice->count, $choice->chosen], $maker->choices),
        );
    }

    public function testAnEmptyListingSaysWhichFilterToDrop(): void
    {
        $items = [
            new Item('1', 500, true, 'Ludd', ['gift']),
            new Item('2', 700, true, 'Pear'),
            new Item('3', 700, true, 'Pear'),
            new Item('4', 9000, false, 'Pear', ['gift']),
        ];
        $shown = self::shown($items, new Narrowing(['maker' => ['Pear'], 'tag' => ['gift']], null, 8000));
        self::assertSame(0, $shown->total);
        self::assertSame(
            ['tag', 2, 'maker=Pear&price-to=80'],
            ['Tag' === $shown->drop?->filter ? 'tag' : '', $shown->dropped, $shown->drop?->without->query()],
        );
        self::assertNull(self::shown($items, new Narrowing(['maker' => ['Pear']]))->drop);
        self::assertNull(self::shown([], new Narrowing(['maker' => ['Pear']]))->drop, 'without it there would be none, either');
    }

    public function testWhatIsChosenIsARowOfWordsEachWithWhatIsLeftWithoutIt(): void
    {
        $narrowing = new Narrowing(['maker' => ['Pear', 'Ludd'], 'option.Size' => ['A4']], 500, 2000, true);
        self::assertSame([
            ['Availability', 'In stock', 'maker=Ludd&maker=Pear&price-from=5&price-to=20&option.Size=A4'],
            ['Price', '5 to 20', 'maker=Ludd&maker=Pear&in-stock=yes&option.Size=A4'],
            ['Maker', 'Ludd', 'maker=Pear&price-from=5&price-to=20&in-stock=yes&option.Size=A4'],
            ['Maker', 'Pear', 'maker=Ludd&price-from=5&price-to=20&in-stock=yes&option.Size=A4'],
            ['Size', 'A4', 'maker=Ludd&maker=Pear&price-from=5&price-to=20&in-stock=yes'],
        ], array_map(
            static fn (Chosen $one): array => [$one->filter, $one->label, $one->without->query()],
            self::shown([], $narrowing)->chosen,
        ));
    }

    /** @param list<string> $expected */
    #[DataProvider('orders')]
    public function testChoicesStandByNameByCountOrByHandAndAreRelabelled(FilterSetting $setting, array $expected): void
    {
        $items = array_map(
            static fn (int $n): Item => new Item(
                (string) $n,
                1,
                true,
                '',
                [],
                ['Size' => [['10 mm', '2 mm', 'Émail', '2 mm', 'Zinc', 'em'][$n]]],
            ),
            range(0, 5),
        );
        $filters = Filters::of(['filter.option.Size' => $setting->stored()]);
        $asked = [Filter::option('Size')];
        $shown = ShownFilters::of(Counts::of($items, new Narrowing(), $asked, $filters), new Narrowing(), $asked, $filters)->filters[0];
        self::assertSame(
            $expected,
            [$shown->label, ...array_map(static fn (ShownChoice $choice): string => $choice->label, $shown->choices)],
        );
    }

    /** @return iterable<string, array{FilterSetting, list<string>}> */
    public static function orders(): iterable
    {
        yield 'numbers by their worth, letters with accents beside their like' => [
            new FilterSetting(),
            ['Size', '2 mm', '10 mm', 'em', 'Émail', 'Zinc'],
        ];
        yield 'most products first' => [
            new FilterSetting('Thickness', ChoiceOrder::Count),
            ['Thickness', '2 mm', '10 mm', 'em', 'Émail', 'Zinc'],
        ];
        yield 'by hand, the rest by name' => [
            new FilterSetting('', ChoiceOrder::Hand, ['Zinc', '10 mm', 'gone']),
            ['Size', 'Zinc', '10 mm', '2 mm', 'em', 'Émail'],
        ];
        yield 'as they are called' => [
            new FilterSetting('', ChoiceOrder::Name, [], ['2 mm' => 'Thin', '10 mm' => 'Heavy']),
            ['Size', 'em', 'Émail', 'Heavy', 'Thin', 'Zinc'],
        ];
    }

    public function testCategoriesStandInTheOrderOfTheShop(): void
    {
        $items = [new Item('1', 1, true, '', [], [], ['p']), new Item('2', 1, true, '', [], [], ['b', 'p'])];
        $asked = [Filter::named('category')];
        $titles = ['p' => 'Papers', 'b' => 'Boards'];
        $shown = ShownFilters::of(
            Counts::of($items, new Narrowing(), $asked, Filters::of([]), ['p', 'b']),
            new Narrowing(),
            $asked,
            Filters::of([]),
            $titles,
        )->filters[0];
        self::assertSame(
            [['Papers', 2], ['Boards', 1]],
            array_map(static fn (ShownChoice $choice): array => [$choice->label, $choice->count], $shown->choices),
        );
    }

    /** @return list<string> */
    private static function keys(ShownFilters $shown): array
    {
        return array_map(static fn (ShownFilter $one): string => $one->filter->key(), $shown->filters);
    }

    /** @param list<Item> $items */
    private static function shown(array $items, Narrowing $narrowing, bool $all = false): ShownFilters
    {
        $asked = array_map(Filter::named(...), ['in-stock', 'price', 'maker', 'tag', 'option.Size']);

        return ShownFilters::of(Counts::of($items, $narrowing, $asked, Filters::of([])), $narrowing, $asked, Filters::of([]), [], $all);
    }
}

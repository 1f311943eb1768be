<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Filter;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Filter\Counts;
use Lantern\Core\Filter\Filter;
use Lantern\Core\Filter\FilterKind;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\FilterSetting;
use Lantern\Core\Filter\Item;
use Lantern\Core\Filter\Narrowing;
use PHPUnit\Framework\TestCase;

final class CountsTest extends TestCase
{
    use TestTrait;

    public function testEachFilterIsCountedUnderAllOthersButNotItsOwn(): void
    {
        $items = [
            new Item('1', 500, true, 'Hollin', ['gift'], ['Size' => ['A4']]),
            new Item('2', 700, true, 'Ludd', ['gift'], ['Size' => ['A4', 'A3']]),
            new Item('3', 900, false, 'Ludd', [], ['Size' => ['A3']]),
            new Item('4', 2500, true, 'Pear', ['gift'], []),
        ];
        $counts = Counts::of(
            $items,
            new Narrowing(['maker' => ['Ludd'], 'option.Size' => ['A3']]),
            array_map(Filter::named(...), ['maker', 'tag', 'price', 'in-stock']),
            Filters::of([]),
        );
        self::assertSame(2, $counts->total);
        self::assertEquals(['Ludd' => 2], $counts->choices['maker'], 'Hollin has no A3');
        self::assertEquals(['A4' => 1, 'A3' => 2], $counts->choices['option.Size'], 'all of Ludd’s, whatever their size');
        self::assertEquals(['gift' => 1], $counts->choices['tag']);
        self::assertEquals(['yes' => 1], $counts->choices['in-stock']);
        self::assertSame([700, 900], [$counts->lowest, $counts->highest]);
        self::assertEquals(['maker' => 2, 'option.Size' => 2, 'tag' => 2, 'price' => 2, 'in-stock' => 2], $counts->without);
    }

    public function testWhatMeansTheSameIsCountedOnce(): void
    {
        $filters = Filters::of(['filter.option.Size' => (new FilterSetting(same: ['50x70' => '50 × 70 cm']))->stored()]);
        $items = [
            new Item('1', 1, true, '', [], ['Size' => ['50x70', '50 × 70 cm']]),
            new Item('2', 1, true, '', [], ['Size' => ['50x70']]),
            new Item('3', 1, true, '', [], ['Size' => ['A4']]),
        ];
        foreach (['50x70', '50 × 70 cm'] as $asked) {
            $counts = Counts::of($items, new Narrowing(['option.Size' => [$asked]]), [], $filters);
            self::assertSame(2, $counts->total);
            self::assertEquals(['50 × 70 cm' => 2, 'A4' => 1], $counts->choices['option.Size']);
        }
    }

    /** The law that visitors hold us to: what stands beside a choice is what they see after choosing nothing but it there. */
    public function testTheCountBesideAChoiceIsWhatChoosingItLeaves(): void
    {
        $this->limitTo(300)->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $categories = ['a' => [], 'b' => ['a'], 'c' => []];
            $items = Catalogues::items($seed, array_map(strval(...), range(1, 14)), $categories);
            $filters = Catalogues::filters($seed);
            $narrowing = Catalogues::narrowing($seed, array_keys($categories));
            $asked = array_map(Filter::named(...), Catalogues::KEYS);
            $counts = Counts::of($items, $narrowing, $asked, $filters, array_keys($categories));
            foreach ($asked as $filter) {
                $key = $filter->key();
                $others = $filters->canonical($narrowing)->without($key);
                self::assertSame(Counts::of($items, $others, [], $filters)->total, $counts->without[$key]);
                foreach ($counts->choices[$key] ?? [] as $value => $count) {
                    $chosen = FilterKind::Availability === $filter->kind
                        ? new Narrowing($others->choices, $others->priceFrom, $others->priceTo, true)
                        : $others->choosing([$key => [(string) $value]] + $others->choices);
                    self::assertSame(Counts::of($items, $chosen, [], $filters)->total, $count, "$key $value");
                }
            }
        });
    }

    public function testEveryFurtherFilterNarrowsAndEveryFurtherChoiceWidens(): void
    {
        $this->limitTo(200)->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $items = Catalogues::items($seed, array_map(strval(...), range(1, 14)), ['a' => []]);
            $filters = Catalogues::filters($seed);
            $narrowing = Catalogues::narrowing($seed, ['a']);
            $total = Counts::of($items, $narrowing, [], $filters)->total;
            foreach ($narrowing->keys() as $key) {
                self::assertLessThanOrEqual(Counts::of($items, $narrowing->without($key), [], $filters)->total, $total);
            }
            foreach ($narrowing->choices as $key => $values) {
                self::assertGreaterThanOrEqual(
                    $total,
                    Counts::of(
                        $items,
                        $narrowing->choosing([$key => [...$values, 'A4', 'Pear']] + $narrowing->choices),
                        [],
                        $filters,
                    )->total,
                );
            }
        });
    }
}

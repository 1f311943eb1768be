<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Filter;

use Lantern\Core\Filter\ChoiceOrder;
use Lantern\Core\Filter\Filter;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\FilterSetting;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FiltersTest extends TestCase
{
    public function testAPlaceAndTheSearchHaveTheFiltersOfAllListingsUntilTheyHaveTheirOwn(): void
    {
        $filters = Filters::of([]);
        self::assertSame(['in-stock', 'price', 'tag'], self::keys($filters->everywhere));
        self::assertSame($filters->everywhere, $filters->search);
        self::assertSame($filters->everywhere, $filters->ofPlace(''));

        $filters = Filters::of([
            Filters::EVERYWHERE => Filters::chosen(['maker', 'option.Sheet size']),
            Filters::SEARCH => Filters::chosen([]),
        ]);
        self::assertSame(['maker', 'option.Sheet size'], self::keys($filters->everywhere));
        self::assertSame([], $filters->search, 'none is a choice, too');
        self::assertSame(['price'], self::keys($filters->ofPlace(Filters::chosen(['price']))));
        self::assertSame($filters->everywhere, $filters->ofPlace('{'), 'what cannot be read is none of one’s own');
    }

    public function testAFilterIsWordedAndReadBack(): void
    {
        $setting = new FilterSetting(
            'Format',
            ChoiceOrder::Hand,
            ['10', '9'],
            ['10' => 'Ten', 'A4' => 'Small'],
            ['50x70' => '50 × 70 cm', '7' => '10'],
        );
        self::assertEquals($setting, FilterSetting::fromStored($setting->stored()));
        self::assertSame('', (new FilterSetting())->stored());
        self::assertEquals(new FilterSetting(), FilterSetting::fromStored('{"order":"sideways","labels":[[1]]}'));
        self::assertSame(['10', '7'], $setting->alike('7'));
        self::assertSame('Ten', $setting->labelOf('10'));

        $filters = Filters::of([Filters::ONE.'option.Size' => $setting->stored()]);
        self::assertSame('Format', $filters->label(Filter::option('Size')));
        self::assertSame('Maker', $filters->label(Filter::named('maker')));
        self::assertSame(
            ['10', '50 × 70 cm'],
            $filters->canonical(new Narrowing(['option.Size' => ['7', '10', '50x70']]))->choices['option.Size'],
        );
        self::assertSame(
            ['option.Size' => ['10', '7'], 'maker' => ['7']],
            array_reverse($filters->valuesOf(new Narrowing(['option.Size' => ['7'], 'maker' => ['7']]))),
        );
    }

    public function testSettingsOfFiltersAreKnownByTheirNames(): void
    {
        foreach ([
            'filters' => true,
            'filters_search' => true,
            'filter.maker' => true,
            'filter.option.Size' => true,
            'filter.' => false,
            'filter.option.' => false,
            'filter.colour' => false,
            'name' => false,
        ] as $name => $is) {
            self::assertSame($is, Filters::isSetting($name), $name);
        }
    }

    /** @param \Closure(): mixed $make */
    #[DataProvider('refused')]
    public function testWhatCannotBeChosenIsTold(\Closure $make, string $told): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessageMatches("/$told/");
        $make();
    }

    /** @return iterable<array{\Closure(): mixed, string}> */
    public static function refused(): iterable
    {
        yield [static fn () => Filters::chosen(['maker', 'maker']), 'twice'];
        yield [static fn () => Filters::chosen(['colour']), 'no filter called “colour”'];
        yield [static fn () => Filters::chosen(['option']), 'no filter called'];
        yield [static fn () => Filters::chosen(['option. ']), 'known by a name'];
        yield [static fn () => Filters::chosen(array_map(static fn (int $n): string => "option.$n", range(1, 21))), 'at most 20'];
        yield [static fn () => new FilterSetting(str_repeat('x', 61)), 'too long'];
        yield [static fn () => new FilterSetting(labels: ['a' => str_repeat('x', 61)]), 'too long'];
        yield [static fn () => new FilterSetting(same: ['a' => 'b', 'b' => 'c']), 'itself shown as another'];
        yield [static fn () => new FilterSetting(same: ['a' => 'a']), 'itself shown as another'];
        yield [static fn () => new FilterSetting(byHand: array_map(strval(...), range(1, 1001))), 'At most 1000'];
    }

    /**
     * @param list<Filter> $filters
     *
     * @return list<string>
     */
    private static function keys(array $filters): array
    {
        return array_map(static fn (Filter $filter): string => $filter->key(), $filters);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Filter;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class NarrowingTest extends TestCase
{
    use TestTrait;

    private const VALUES = ['gift', '7', '007', 'a&b=c', 'größe #1', '+', '%41', 'Hollin Mill', '50 × 70 cm', '[]', 'ten, or less', ' '];
    private const KEYS = [
        'maker',
        'tag',
        'category',
        'option.Sheet size',
        'option.0',
        'option.a=b',
        'option.option.',
        'option.price-from',
        'option.[x]',
    ];

    public function testItIsReadBackFromTheQueryThatItMakes(): void
    {
        $this->limitTo(400)->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $narrowing = self::random($seed);
            $names = array_combine($narrowing->categoryIds(), $narrowing->categoryIds());
            $query = $narrowing->query($names);
            self::assertTrue(Narrowing::fromQuery($query)->equals($narrowing), $query);
            self::assertSame('' === $query, $narrowing->isNone());
        });
    }

    public function testWhatIsTheSameIsWrittenInTheSameWayWhateverOrderItWasChosenIn(): void
    {
        $this->limitTo(200)->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            mt_srand($seed);
            $pairs = explode('&', self::random($seed)->query());
            shuffle($pairs);
            $otherwise = Narrowing::fromQuery(implode('&', [...$pairs, ...$pairs]));
            self::assertSame(Narrowing::fromQuery(implode('&', $pairs))->query(), $otherwise->query());
        });
    }

    public function testTheNormalAddress(): void
    {
        $narrowing = new Narrowing(
            ['option.Sheet size' => ['50 × 70 cm'], 'tag' => ['gift'], 'maker' => ['Ludd', 'Hollin Mill', 'Ludd']],
            500,
            2050,
            true,
        );
        self::assertSame(
            'maker=Hollin+Mill&maker=Ludd&tag=gift&price-from=5&price-to=20.50&in-stock=yes&option.Sheet+size=50+%C3%97+70+cm',
            $narrowing->query(),
        );
        self::assertSame('', (new Narrowing(['maker' => []]))->query());
    }

    public function testCategoriesStandInAddressesByTheirOwn(): void
    {
        $narrowing = new Narrowing(['category' => ['id-1', 'id-2']]);
        self::assertSame('category=papers%2Fcombed', $narrowing->query(['id-1' => 'papers/combed']), 'one that is gone narrows nothing');
        self::assertTrue(Narrowing::fromQuery('category=papers/combed&category=boards')->callingCategories([
            'papers/combed' => 'id-1',
            'boards' => 'id-2',
        ])->equals($narrowing));
        self::assertSame('Combed', $narrowing->words(['id-1' => 'Combed']));
    }

    #[DataProvider('nonsense')]
    public function testWhatCannotBeUnderstoodNarrowsNothing(string $query): void
    {
        self::assertTrue(Narrowing::fromQuery($query)->isNone());
    }

    /** @return iterable<array{string}> */
    public static function nonsense(): iterable
    {
        yield ['tag[]=a&tag%5B%5D=b'];
        yield ["tag=\xff"];
        yield ['tag=%FF&maker=%00'];
        yield ['tag='.str_repeat('t', 201)];
        yield ['price-from=1e3&price-to=9e99'];
        yield ['price-from=ten&price-to=-1&in-stock=1'];
        yield ['price-to=12345678'];
        yield ['option=Size'];
        yield ['choice=7&option='];
        yield ['option[]=&option.=x&option.%00=x&option%5B%5D=y'];
        yield ['option.'.str_repeat('n', 101).'=x'];
        yield ['sort=price&after=x&q=thread&colour=red&&=&=a'];
        yield [str_repeat('x', 2_000_000).'=1'];
    }

    public function testItNarrowsWhatItCan(): void
    {
        self::assertSame('price-to=1', Narrowing::fromQuery('price-from=5&price-to=1')->query());
        self::assertSame('maker=Ludd', Narrowing::fromQuery('maker=Ludd&maker=%FF&price-from=ten')->query());
        self::assertSame(
            'price-from=5.50',
            Narrowing::fromQuery('price-from=5%2C5&price-from=')->query(),
            'a form sends what was left empty',
        );
        self::assertSame(
            Narrowing::MOST_CHOICES,
            \count(Narrowing::fromQuery(implode(
                '&',
                array_map(static fn (int $n): string => "maker=$n", range(1, 400)),
            ))->choices['maker']),
        );
    }

    public function testAnAddressOfTheTimeWithOneTagAndOneOptionStillNarrows(): void
    {
        self::assertSame(
            ['tag' => ['gift'], 'option.Sheet size' => ['50 × 70 cm']],
            Narrowing::fromQuery('tag=gift&price-to=20.00&option=Sheet%20size&choice=50%20%C3%97%2070%20cm')->choices,
        );
    }

    public function testItSaysWhatItIs(): void
    {
        self::assertSame(
            'Hollin Mill or Ludd, gift, Sheet size A4, 5 to 20.50, in stock',
            (new Narrowing(
                ['maker' => ['Ludd', 'Hollin Mill'], 'tag' => ['gift'], 'option.Sheet size' => ['A4']],
                500,
                2050,
                true,
            ))->words(),
        );
        self::assertSame('up to 0.07', (new Narrowing(priceTo: 7))->words());
    }

    public function testWhatIsChosenIsTakenOutOneByOne(): void
    {
        $narrowing = new Narrowing(['maker' => ['10', '9']], 500, null, true);
        self::assertSame('maker=9&price-from=5&in-stock=yes', $narrowing->without('maker', '10')->query());
        self::assertSame('price-from=5', $narrowing->without('maker')->without('in-stock')->query());
        self::assertSame('maker=10&maker=9&in-stock=yes', $narrowing->without('price')->query());
        self::assertSame(['maker', 'price', 'in-stock'], $narrowing->keys());
        self::assertSame(
            'maker=9&price-from=5&in-stock=yes',
            $narrowing->among(['maker' => ['9' => true]])->query(),
            'what nobody knows narrows nothing',
        );
    }

    /** @param \Closure(): Narrowing $make */
    #[DataProvider('refused')]
    public function testWhatIsStoredKeepsTheRules(\Closure $make, string $told): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessageMatches("/$told/");
        $make();
    }

    /** @return iterable<array{\Closure(): Narrowing, string}> */
    public static function refused(): iterable
    {
        yield [static fn () => new Narrowing(priceFrom: 900, priceTo: 500), 'highest price'];
        yield [static fn () => new Narrowing(priceFrom: -1), 'below nothing'];
        yield [static fn () => new Narrowing(priceTo: 2_000_000_000), 'at most'];
        yield [static fn () => new Narrowing(['colour' => ['red']]), 'no filter called'];
        yield [static fn () => new Narrowing(['price' => ['5']]), 'no choices among values'];
        yield [static fn () => new Narrowing(['maker' => ['']]), 'A choice has'];
        yield [static fn () => new Narrowing(['maker' => array_map(strval(...), range(1, 101))]), 'At most 100'];
    }

    private static function random(int $seed): Narrowing
    {
        mt_srand($seed);
        $choices = [];
        foreach (self::KEYS as $key) {
            foreach (self::VALUES as $value) {
                if (0 === mt_rand(0, 12)) {
                    $choices[$key][] = $value;
                }
            }
        }
        $from = 0 === mt_rand(0, 1) ? null : mt_rand(0, 999_999);

        return new Narrowing($choices, $from, 0 === mt_rand(0, 1) ? null : ($from ?? 0) + mt_rand(0, 999), 0 === mt_rand(0, 1));
    }
}

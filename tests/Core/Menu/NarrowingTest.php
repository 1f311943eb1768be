<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Menu;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Menu\Narrowing;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class NarrowingTest extends TestCase
{
    use TestTrait;

    public function testItIsReadBackFromTheQueryThatItMakes(): void
    {
        $this->forAll(Generators::elements('', 'gift', '7', '007', 'a&b=c', 'größe #1', '+', '%41'), Generators::choose(0, 900_000), Generators::choose(0, 900_000), Generators::bool(), Generators::elements(['', ''], ['Sheet size', '50 × 70 cm'], ['0', '0']))
            ->then(static function (string $tag, int $from, int $more, bool $inStock, array $option): void {
                $narrowing = new Narrowing($tag, 0 === $from % 3 ? null : $from, 0 === $more % 3 ? null : $from + $more, $inStock, ...$option);
                parse_str($narrowing->query(), $query);
                self::assertTrue(Narrowing::fromQuery($query)->equals($narrowing), $narrowing->query());
                self::assertSame('' === $narrowing->query(), $narrowing->isNone());
            });
    }

    /** @param array<mixed> $query */
    #[DataProvider('nonsense')]
    public function testWhatCannotBeUnderstoodNarrowsNothing(array $query): void
    {
        self::assertTrue(Narrowing::fromQuery($query)->isNone());
    }

    /** @return iterable<array{array<mixed>}> */
    public static function nonsense(): iterable
    {
        yield [['tag' => ['a']]];
        yield [['tag' => "\xff"]];
        yield [['tag' => str_repeat('t', 101)]];
        yield [['price-from' => '1e3']];
        yield [['price-from' => "5\n"]];
        yield [['price-from' => '-1', 'in-stock' => '1']];
        yield [['option' => 'Size']];
        yield [['choice' => '7', 'option' => '']];
    }

    public function testItSaysWhatItIs(): void
    {
        self::assertSame('gift, 5.00 to 20.50, Sheet size A4, in stock', (new Narrowing('gift', 500, 2050, true, 'Sheet size', 'A4'))->words());
        self::assertSame('up to 0.07', (new Narrowing(priceTo: 7))->words());
    }
}

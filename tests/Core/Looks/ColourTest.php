<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Looks;

use Lantern\Core\Looks\Colour;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class ColourTest extends TestCase
{
    #[DataProvider('contrasts')]
    public function testContrastIsThatOfWcag(string $one, string $other, float $ratio): void
    {
        self::assertEqualsWithDelta($ratio, Colour::fromHex($one)->contrast(Colour::fromHex($other)), 0.005);
        self::assertEqualsWithDelta($ratio, Colour::fromHex($other)->contrast(Colour::fromHex($one)), 0.005);
    }

    /** @return iterable<array{string, string, float}> pairs whose ratios are published with the guidelines and their techniques */
    public static function contrasts(): iterable
    {
        yield 'black on white' => ['#000', '#fff', 21.0];
        yield 'the same' => ['#a23e2a', '#a23e2a', 1.0];
        yield 'the palest grey that passes on white' => ['#767676', '#ffffff', 4.54];
        yield 'one shade paler' => ['#777777', '#ffffff', 4.48];
        yield 'the palest for large letters' => ['#949494', '#ffffff', 3.03];
        yield 'red on white' => ['#ff0000', '#ffffff', 4.00];
        yield 'blue on white' => ['#0000ff', '#ffffff', 8.59];
        yield 'green on white' => ['#00ff00', '#ffffff', 1.37];
    }

    #[DataProvider('lch')]
    public function testOklchIsThatOfCss(string $hex, float $lightness, float $chroma, float $hue): void
    {
        [$l, $c, $h] = Colour::fromHex($hex)->oklch();
        self::assertEqualsWithDelta($lightness, $l, 0.0002);
        self::assertEqualsWithDelta($chroma, $c, 0.0002);
        if ($chroma > 0.001) {
            self::assertEqualsWithDelta($hue, $h, 0.05);
        }
        self::assertSame($hex, Colour::fromOklch($lightness, $chroma, $hue)->hex());
    }

    /** @return iterable<array{string, float, float, float}> from the tests of CSS Color 4 */
    public static function lch(): iterable
    {
        yield 'red' => ['#ff0000', 0.62796, 0.25768, 29.234];
        yield 'green' => ['#008000', 0.51975, 0.17686, 142.495];
        yield 'lime' => ['#00ff00', 0.86644, 0.29483, 142.495];
        yield 'blue' => ['#0000ff', 0.45201, 0.31321, 264.052];
        yield 'yellow' => ['#ffff00', 0.96798, 0.21101, 109.769];
        yield 'white' => ['#ffffff', 1.0, 0.0, 0.0];
        yield 'black' => ['#000000', 0.0, 0.0, 0.0];
    }

    public function testEveryColourComesBackFromOklch(): void
    {
        $random = new Randomizer(new Mt19937(7));
        for ($n = 0; $n < 2000; ++$n) {
            $colour = self::random($random);
            self::assertSame($colour->hex(), Colour::fromOklch(...$colour->oklch())->hex());
        }
    }

    /** Laws of the colour that is offered: it passes, keeps its hue, and no smaller change of lightness would have done. */
    public function testTheColourThatIsOfferedIsTheNearestThatPasses(): void
    {
        $random = new Randomizer(new Mt19937(11));
        for ($n = 0; $n < 400; ++$n) {
            [$text, $ground] = [self::random($random), self::random($random)];
            $least = 0 === $n % 2 ? 4.5 : 3.0;
            $offered = $text->withContrast($ground, $least);
            self::assertGreaterThanOrEqual($least, $offered->contrast($ground), "{$text->hex()} on {$ground->hex()}");
            if ($text->contrast($ground) >= $least) {
                self::assertSame($text, $offered);
                continue;
            }
            [$lightness, $chroma, $hue] = $text->oklch();
            $change = abs($offered->oklch()[0] - $lightness);
            foreach ([-1, 1] as $way) {
                for ($less = 0.004; $less < $change - 0.004; $less += 0.004) {
                    $other = $lightness + $way * $less;
                    if ($other >= 0 && $other <= 1) {
                        self::assertLessThan(
                            $least,
                            Colour::fromOklch($other, $chroma, $hue)->contrast($ground),
                            "{$text->hex()} on {$ground->hex()}: less would have done",
                        );
                    }
                }
            }
            [, $chromaNow, $hueNow] = $offered->oklch();
            if ($chromaNow > 0.03) {
                self::assertLessThan(
                    4.0,
                    min(abs($hueNow - $hue), 360 - abs($hueNow - $hue)),
                    "{$text->hex()} on {$ground->hex()}: another hue, {$offered->hex()}",
                );
            }
            self::assertLessThanOrEqual($chroma + 0.01, $chromaNow);
        }
    }

    #[DataProvider('noColours')]
    public function testWhatIsNoColourIsRefused(string $typed): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessage('is no colour');
        Colour::fromHex($typed);
    }

    /** @return iterable<array{string}> */
    public static function noColours(): iterable
    {
        yield [''];
        yield ['red'];
        yield ['#12345'];
        yield ['#gggggg'];
        yield ["#123456\n"];
        yield ['#123456;background:url(x)'];
    }

    private static function random(Randomizer $random): Colour
    {
        return new Colour($random->getInt(0, 255), $random->getInt(0, 255), $random->getInt(0, 255));
    }
}

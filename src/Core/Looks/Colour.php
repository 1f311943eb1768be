<?php

declare(strict_types=1);

namespace Lantern\Core\Looks;

use Lantern\Core\Refused;

/** A colour of sRGB, opaque. */
final readonly class Colour
{
    /**
     * @param int $red   0 to 255
     * @param int $green 0 to 255
     * @param int $blue  0 to 255
     */
    public function __construct(public int $red, public int $green, public int $blue)
    {
    }

    /** @param string $hex `#rrggbb` or `#rgb`, as in CSS Color 4, section 5.2 */
    public static function fromHex(string $hex, string $field = 'colour'): self
    {
        if (1 !== preg_match('/^#(?:([0-9a-f])([0-9a-f])([0-9a-f])|([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2}))$/Di', $hex, $found)) {
            throw new Refused(
                $field,
                \sprintf('“%s” is no colour. Write one as six hexadecimal digits, such as #1d5b63.', mb_strimwidth($hex, 0, 40, '…')),
            );
        }
        [$red, $green, $blue] = \count($found) > 4
            ? [$found[4], $found[5], $found[6]]
            : [$found[1].$found[1], $found[2].$found[2], $found[3].$found[3]];

        return new self((int) hexdec($red), (int) hexdec($green), (int) hexdec($blue));
    }

    /** `#rrggbb`, in small letters. */
    public function hex(): string
    {
        return \sprintf('#%02x%02x%02x', $this->red, $this->green, $this->blue);
    }

    public function equals(self $other): bool
    {
        return $this->hex() === $other->hex();
    }

    /**
     * This one with a part of another in it, as paint that is laid over it thinly would look.
     *
     * @param float $part of the other, 0 to 1
     */
    public function mixed(self $other, float $part): self
    {
        $one = static fn (int $from, int $to): int => (int) round($from + ($to - $from) * $part);

        return new self($one($this->red, $other->red), $one($this->green, $other->green), $one($this->blue, $other->blue));
    }

    /** WCAG 2.2, relative luminance: from 0, black, to 1, white. */
    public function luminance(): float
    {
        [$red, $green, $blue] = $this->linear();

        return 0.2126 * $red + 0.7152 * $green + 0.0722 * $blue;
    }

    /** WCAG 2.2, contrast ratio: from 1 to 21. */
    public function contrast(self $other): float
    {
        [$dark, $light] = [min($this->luminance(), $other->luminance()), max($this->luminance(), $other->luminance())];

        return ($light + 0.05) / ($dark + 0.05);
    }

    /**
     * The colour that has at least a contrast with another: same hue and chroma in OKLCH, the smallest change of lightness.
     * Chroma gives way only where sRGB has no such colour.
     *
     * @param float $least at most 4.58, which black or white has with any colour
     */
    public function withContrast(self $on, float $least): self
    {
        return $this->withContrastOnAll([$on], $least) ?? ($on->luminance() > 0.179 ? new self(0, 0, 0) : new self(255, 255, 255));
    }

    /**
     * The same for several grounds at once.
     *
     * @param non-empty-list<self> $grounds
     *
     * @return self|null null where one of them is too light for light colours, and another too dark for dark ones
     */
    public function withContrastOnAll(array $grounds, float $least): ?self
    {
        $worst = static fn (self $colour): float => min(array_map($colour->contrast(...), $grounds));
        if ($worst($this) >= $least) {
            return $this;
        }
        [$lightness, $chroma, $hue] = $this->oklch();
        $steps = 1000;
        for ($n = 1; $n <= $steps; ++$n) {
            $passing = [];
            foreach ([$lightness - $n / $steps, $lightness + $n / $steps] as $other) {
                $colour = $other < -0.5 / $steps || $other > 1 + 0.5 / $steps
                    ? null
                    : self::fromOklch(max(0.0, min(1.0, $other)), $chroma, $hue);
                if (null !== $colour && $worst($colour) >= $least) {
                    $passing[] = $colour;
                }
            }
            // Both as far from it: the one that is read with more ease.
            usort($passing, static fn (self $a, self $b): int => $worst($b) <=> $worst($a));
            if ([] !== $passing) {
                return $passing[0];
            }
        }

        return null;
    }

    /**
     * CSS Color 4, section 9.2 and its sample code: lightness from 0 to 1, chroma from 0, hue in degrees.
     *
     * @return array{float, float, float}
     */
    public function oklch(): array
    {
        [$red, $green, $blue] = $this->linear();
        $long = (0.4122214708 * $red + 0.5363325363 * $green + 0.0514459929 * $blue) ** (1 / 3);
        $middle = (0.2119034982 * $red + 0.6806995451 * $green + 0.1073969566 * $blue) ** (1 / 3);
        $short = (0.0883024619 * $red + 0.2817188376 * $green + 0.6299787005 * $blue) ** (1 / 3);
        $lightness = 0.2104542553 * $long + 0.7936177850 * $middle - 0.0040720468 * $short;
        $a = 1.9779984951 * $long - 2.4285922050 * $middle + 0.4505937099 * $short;
        $b = 0.0259040371 * $long + 0.7827717662 * $middle - 0.8086757660 * $short;

        return [$lightness, hypot($a, $b), fmod(rad2deg(atan2($b, $a)) + 360, 360)];
    }

    /** The nearest colour of sRGB, with less chroma where it has to be. */
    public static function fromOklch(float $lightness, float $chroma, float $hue): self
    {
        $inside = 0.0;
        $outside = $chroma;
        if (self::isColour($linear = self::linearOf($lightness, $chroma, $hue))) {
            return self::ofLinear($linear);
        }
        for ($n = 0; $n < 24; ++$n) {
            $between = ($inside + $outside) / 2;
            self::isColour(self::linearOf($lightness, $between, $hue)) ? $inside = $between : $outside = $between;
        }

        return self::ofLinear(self::linearOf($lightness, $inside, $hue));
    }

    /** @return array{float, float, float} red, green and blue without gamma, 0 to 1 */
    private function linear(): array
    {
        $one = static fn (int $value): float => $value / 255 <= 0.04045 ? $value / 255 / 12.92 : (($value / 255 + 0.055) / 1.055) ** 2.4;

        return [$one($this->red), $one($this->green), $one($this->blue)];
    }

    /** @return array{float, float, float} */
    private static function linearOf(float $lightness, float $chroma, float $hue): array
    {
        [$a, $b] = [$chroma * cos(deg2rad($hue)), $chroma * sin(deg2rad($hue))];
        $long = ($lightness + 0.3963377774 * $a + 0.2158037573 * $b) ** 3;
        $middle = ($lightness - 0.1055613458 * $a - 0.0638541728 * $b) ** 3;
        $short = ($lightness - 0.0894841775 * $a - 1.2914855480 * $b) ** 3;

        return [
            4.0767416621 * $long - 3.3077115913 * $middle + 0.2309699292 * $short,
            -1.2684380046 * $long + 2.6097574011 * $middle - 0.3413193965 * $short,
            -0.0041960863 * $long - 0.7034186147 * $middle + 1.7076147010 * $short,
        ];
    }

    /** @param array{float, float, float} $linear */
    private static function isColour(array $linear): bool
    {
        return min($linear) >= -0.0001 && max($linear) <= 1.0001;
    }

    /** @param array{float, float, float} $linear */
    private static function ofLinear(array $linear): self
    {
        $one = static function (float $value): int {
            $value = max(0.0, min(1.0, $value));

            return (int) round(255 * ($value <= 0.0031308 ? 12.92 * $value : 1.055 * $value ** (1 / 2.4) - 0.055));
        };

        return new self($one($linear[0]), $one($linear[1]), $one($linear[2]));
    }
}

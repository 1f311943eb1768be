<?php

declare(strict_types=1);

namespace Lantern\Core\Fit;

use Lantern\Core\Looks\Typeface;

/**
 * A shipped font at one weight, as far as the width of a line is concerned. Kerning is left out: it takes a line by less than a hundredth.
 */
final readonly class Face
{
    /** @param array<int, int> $advances by code point, in thousandths of the type size */
    private function __construct(private array $advances)
    {
    }

    /** As menus and words are set in it. */
    public static function text(Typeface $typeface): self
    {
        return new self(self::advances($typeface)[0]);
    }

    /** As headings and the shop's name are. */
    public static function display(Typeface $typeface): self
    {
        return new self(self::advances($typeface)[1]);
    }

    /** In pixels, for a type size in pixels. A letter that the font does not have counts as its widest. */
    public function width(string $words, float $size): float
    {
        $widest = max([0, ...$this->advances]);
        $width = 0;
        foreach (mb_str_split($words) as $letter) {
            $width += $this->advances[mb_ord($letter)] ?? $widest;
        }

        return $width * $size / 1000;
    }

    /** @return array{array<int, int>, array<int, int>} as words are set in it, and as headings are */
    private static function advances(Typeface $typeface): array
    {
        return match ($typeface) {
            Typeface::Literata => [Widths\Literata400::ADVANCES, Widths\Literata500::ADVANCES],
            Typeface::Lora => [Widths\Lora400::ADVANCES, Widths\Lora500::ADVANCES],
            Typeface::Karla => [Widths\Karla400::ADVANCES, Widths\Karla500::ADVANCES],
            Typeface::WorkSans => [Widths\WorkSans400::ADVANCES, Widths\WorkSans500::ADVANCES],
            Typeface::Bitter => [Widths\Bitter400::ADVANCES, Widths\Bitter500::ADVANCES],
            Typeface::Nunito => [Widths\Nunito400::ADVANCES, Widths\Nunito500::ADVANCES],
            Typeface::PlayfairDisplay => [Widths\PlayfairDisplay400::ADVANCES, Widths\PlayfairDisplay500::ADVANCES],
            Typeface::RedHatMono => [Widths\RedHatMono400::ADVANCES, Widths\RedHatMono500::ADVANCES],
        };
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Fit;

use Lantern\Core\Looks\Typeface;

/** A shipped font at one weight, as far as the width of a line is concerned. Kerning is left out: it takes a line by less than a hundredth. */
final readonly class Face
{
    /** @param array<int, int> $advances by code point, in thousandths of the type size */
    private function __construct(private array $advances)
    {
    }

    /** As menus and words are set in it. */
    public static function text(Typeface $typeface): self
    {
        return self::at($typeface, 400);
    }

    /** As headings and the shop's name are. */
    public static function display(Typeface $typeface): self
    {
        return self::at($typeface, 500);
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

    private static function at(Typeface $typeface, int $weight): self
    {
        /** @var array<string, self> $faces */
        static $faces = [];
        $name = "{$typeface->value}-$weight";
        if (!isset($faces[$name])) {
            /** @var array<int, int> $advances */
            $advances = require __DIR__."/widths/$name.php";
            $faces[$name] = new self($advances);
        }

        return $faces[$name];
    }
}

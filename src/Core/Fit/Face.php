<?php

declare(strict_types=1);

namespace Lantern\Core\Fit;

/** A shipped font at one weight, as far as the width of a line is concerned. Kerning is left out: it takes a line by less than a hundredth. */
final readonly class Face
{
    /** @param array<int, int> $advances by code point, in thousandths of the type size */
    private function __construct(private array $advances)
    {
    }

    /** What the storefront's menus are set in. */
    public static function text(): self
    {
        static $face;

        return $face ??= new self(self::advances('karla-400'));
    }

    /** What the shop's name is set in. */
    public static function display(): self
    {
        static $face;

        return $face ??= new self(self::advances('literata-500'));
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

    /** @return array<int, int> */
    private static function advances(string $name): array
    {
        /** @var array<int, int> */
        return require __DIR__."/$name.php";
    }
}

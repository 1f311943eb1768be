<?php

declare(strict_types=1);

namespace Lantern\Core\Shop;

use Lantern\Core\Refused;

/** A picture of the shop that stands in the header in place of its name. */
final readonly class Wordmark
{
    /** How high it stands, and how wide at most, in the type size of the storefront. */
    public const HEIGHT = 2.6;
    public const MOST = 14.0;
    private const PIXELS = 4000;

    /**
     * @param string $picture its file name
     * @param int    $width   of the picture, in pixels
     * @param string $words   for those who do not see it; empty: the name of the shop
     */
    private function __construct(public string $picture, public int $width, public int $height, public string $words)
    {
    }

    /** @param string $kept as `kept()` wrote it */
    public static function of(string $kept, string $words): ?self
    {
        return 1 === preg_match('~^([a-z0-9][a-z0-9._/-]{0,199}) (\d{1,4})x(\d{1,4})$~Di', $kept, $found)
            && (int) $found[2] > 0
            && (int) $found[3] > 0
            ? new self($found[1], (int) $found[2], (int) $found[3], $words)
            : null;
    }

    /**
     * @return string what is kept of it as a setting
     *
     * @throws Refused
     */
    public static function kept(string $picture, int $width, int $height): string
    {
        if ($width < 1 || $height < 1 || $width > self::PIXELS || $height > self::PIXELS) {
            throw new Refused(
                'words',
                \sprintf(
                    'A word mark is a picture of 1 to %d pixels in each direction. Choose another, or make this one smaller.',
                    self::PIXELS,
                ),
            );
        }
        $kept = "$picture {$width}x{$height}";

        return null === self::of($kept, '') ? throw new Refused('words', 'Choose one of the pictures of the shop.') : $kept;
    }

    /**
     * How wide it stands, in pixels.
     *
     * @param float $type size of the storefront's type, in pixels
     */
    public function shownWidth(float $type): float
    {
        return min(self::MOST * $type, self::HEIGHT * $type * $this->width / $this->height);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Shop;

use Lantern\Core\Refused;
use Lantern\Core\Shop\Wordmark;
use PHPUnit\Framework\TestCase;

final class WordmarkTest extends TestCase
{
    public function testItIsKeptWithItsSizeAndReadBack(): void
    {
        $mark = Wordmark::of(Wordmark::kept('uploads/mark.svg', 240, 60), 'The press');
        self::assertSame(['uploads/mark.svg', 240, 60, 'The press'], [$mark?->picture, $mark?->width, $mark?->height, $mark?->words]);
        self::assertNull(Wordmark::of('', ''));
        self::assertNull(Wordmark::of('../../etc/passwd 1x1', ''));
        self::assertNull(Wordmark::of('a.svg 0x1', ''));
    }

    public function testItStandsAsHighAsTheRowAllowsAndNoWiderThanItsRoom(): void
    {
        $wide = static fn (int $width, int $height): ?float => Wordmark::of(
            Wordmark::kept('a.svg', $width, $height),
            '',
        )?->shownWidth(10.0);
        self::assertSame(52.0, $wide(200, 100));
        self::assertSame(140.0, $wide(2000, 100));
    }

    public function testAPictureOfNoSizeIsRefused(): void
    {
        foreach ([[0, 10], [10, 0], [4001, 10], [10, -1]] as [$width, $height]) {
            try {
                Wordmark::kept('a.svg', $width, $height);
                self::fail('It has no size that can be shown.');
            } catch (Refused $refused) {
                self::assertStringContainsString('1 to 4000 pixels', $refused->getMessage());
            }
        }
        $this->expectException(Refused::class);
        Wordmark::kept('a picture.svg', 10, 10);
    }
}

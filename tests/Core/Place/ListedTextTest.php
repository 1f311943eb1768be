<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Place;

use Lantern\Core\Place\ListedText;
use Lantern\Core\Place\SearchListing;
use PHPUnit\Framework\TestCase;

final class ListedTextTest extends TestCase
{
    public function testMeasuresWithTheWidthsOfTheFace(): void
    {
        // H 722, e 556, l 222, l 222, o 556 thousandths of 20 pixels.
        self::assertEqualsWithDelta(45.56, ListedText::title('Hello')->pixels, 0.001);
        self::assertSame(ListedText::title('cafe')->pixels, ListedText::title('café')->pixels, 'a mark takes no room');
        self::assertSame(ListedText::title('é')->pixels, ListedText::title("e\u{301}")->pixels);
        self::assertEqualsWithDelta(14.0, ListedText::description('紙')->pixels, 0.001);
        self::assertSame(0.0, ListedText::title('')->pixels);
    }

    public function testCutsBetweenWordsWhatGoesBeyondTheColumn(): void
    {
        $long = ListedText::title(str_repeat('marbled papers ', 10));
        self::assertFalse($long->fits());
        self::assertStringEndsWith(' …', $long->shown());
        self::assertTrue(ListedText::title($long->shown())->fits());
        self::assertSame('Marbled papers', ListedText::title('Marbled papers')->shown());
        self::assertSame(14, ListedText::title('Marbled papers')->characters());
    }

    public function testAnEmptyListingFollowsThePlace(): void
    {
        $listing = new SearchListing(true, '  ', '');
        self::assertSame('Care · Tansy & Rook', $listing->pageTitle('Care', 'Tansy & Rook'));
        self::assertSame('Flat, dark, dry.', $listing->pageDescription('Flat, dark, dry.'));
        $own = new SearchListing(true, ' Paper   care ', 'How to.');
        self::assertSame('Paper care · Shop', $own->pageTitle('Care', 'Shop'));
        self::assertSame('How to.', $own->pageDescription('Flat'));
    }
}

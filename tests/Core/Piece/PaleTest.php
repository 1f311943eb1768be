<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Piece;

use Lantern\Core\Looks\Colour;
use Lantern\Core\Looks\Looks;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Colours;
use Lantern\Core\Piece\Ground;
use Lantern\Core\Piece\Pale;
use Lantern\Core\Piece\Panel;
use PHPUnit\Framework\TestCase;

final class PaleTest extends TestCase
{
    public function testTheColoursOfTheShopAreReadOnItsOwnGrounds(): void
    {
        self::assertSame([], Pale::in(new Band()));
        self::assertSame([], Pale::in(new Panel()));
        self::assertSame([], Pale::in(new Band(), new Panel()));
    }

    public function testAPaleLabelIsToldWithTheColourThatWouldDo(): void
    {
        $ground = new Ground(Colour::fromHex('#fcebc9'));
        $pale = Pale::in(new Band(ground: $ground, colours: new Colours(link: Colour::fromHex('#c99a2e'))));
        self::assertSame(['link'], array_column($pale, 'name'));
        self::assertSame('Links on this ground have a contrast of 2.1 to 1; 4.5 is the least that everybody can read.', $pale[0]->words());
        self::assertGreaterThanOrEqual(4.5, $pale[0]->offered?->contrast(Colour::fromHex('#fcebc9')));
        self::assertSame(
            ['pointed'],
            array_column(
                Pale::in(new Band(
                    ground: $ground,
                    colours: new Colours(link: Colour::fromHex('#22302c'), pointed: Colour::fromHex('#c99a2e')),
                )),
                'name',
            ),
        );
        // Taken, it is no longer told.
        self::assertSame([], Pale::in(new Band(ground: $ground, colours: new Colours(link: $pale[0]->offered))));
    }

    /** WCAG 2.2, 1.4.3: of large letters 3 to 1 is asked, of words beside them 4.5. */
    public function testLargeHeadingsNeedLess(): void
    {
        $band = new Band(
            ground: new Ground(Colour::fromHex('#ffffff')),
            colours: new Colours(heading: Colour::fromHex('#888888'), text: Colour::fromHex('#888888')),
        );
        self::assertSame(['text'], array_column(Pale::in($band, large: true), 'name'));
        self::assertSame(['heading', 'text'], array_column(Pale::in($band), 'name'));
        $still = Pale::in(
            new Band(ground: new Ground(Colour::fromHex('#ffffff')), colours: new Colours(heading: Colour::fromHex('#aaaaaa'))),
            large: true,
        );
        self::assertStringContainsString('; 3 is the least', $still[0]->words());
        self::assertTrue(Looks::of()->hasLargeHeadings());
        self::assertFalse(Looks::of([Looks::SCALE => '0.9'])->hasLargeHeadings());
    }

    public function testOnAPictureTheWorstOfItsRegionsCounts(): void
    {
        $ground = new Ground(picture: 'hero.svg');
        $light = [Colour::fromHex('#fbfaf6'), Colour::fromHex('#e0d8c8')];
        self::assertSame([], Pale::in(new Band(ground: $ground), null, $light));
        $pale = Pale::in(new Band(ground: $ground, colours: new Colours(text: Colour::fromHex('#707070'))), null, $light);
        self::assertSame(['text'], array_column($pale, 'name'));
        self::assertSame(
            'Words on the worst part of this picture have a contrast of 3.4 to 1; 4.5 is the least that everybody can read.',
            $pale[0]->words(),
        );
        foreach ($light as $region) {
            self::assertGreaterThanOrEqual(4.5, $pale[0]->offered?->contrast($region));
        }
        // Light here and dark there: nothing is read on all of it, and that is said.
        $restless = Pale::in(new Band(ground: $ground), null, [Colour::fromHex('#101010'), Colour::fromHex('#f0f0f0')]);
        self::assertNull($restless[0]->offered);
        self::assertStringContainsString('No colour is read on all of it', $restless[0]->words());
        // The colour that is there until the picture has come counts as well.
        self::assertNotSame([], Pale::in(new Band(ground: new Ground(Colour::fromHex('#2c2531'), 'hero.svg')), null, $light));
    }

    public function testABandWithAGroundOfItsOwnCoversThePictureOfItsPanel(): void
    {
        $panel = new Panel(ground: new Ground(picture: 'hero.svg'));
        self::assertSame('hero.svg', Pale::pictureBehind($panel));
        self::assertSame('hero.svg', Pale::pictureBehind(new Band(), $panel));
        self::assertNull(Pale::pictureBehind(new Band(ground: new Ground(Colour::fromHex('#ffffff'))), $panel));
        self::assertSame('other.svg', Pale::pictureBehind(new Band(ground: new Ground(picture: 'other.svg')), $panel));
    }

    public function testABandHasTheGroundAndTheColoursOfItsPanelWhereItHasNoneOfItsOwn(): void
    {
        $night = new Panel(
            ground: new Ground(Colour::fromHex('#22302c')),
            colours: new Colours(Colour::fromHex('#ffffff'), Colour::fromHex('#ffffff'), Colour::fromHex('#ffffff')),
        );
        self::assertSame([], Pale::in($night));
        self::assertSame([], Pale::in(new Band(), $night));
        self::assertSame(
            ['heading', 'text', 'link'],
            array_column(Pale::in(new Band(ground: new Ground(Colour::fromHex('#ffffff'))), $night), 'name'),
        );
        self::assertSame(
            ['text'],
            array_column(Pale::in(new Band(colours: new Colours(text: Colour::fromHex('#2c2531'))), $night), 'name'),
        );
    }
}

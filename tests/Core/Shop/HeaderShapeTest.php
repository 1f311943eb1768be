<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Shop;

use Lantern\Core\Refused;
use Lantern\Core\Shop\EntriesStand;
use Lantern\Core\Shop\HeaderForm;
use Lantern\Core\Shop\HeaderShape;
use Lantern\Core\Shop\OpenMark;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class HeaderShapeTest extends TestCase
{
    public function testWhatNobodyChoseIsAsItUsuallyIs(): void
    {
        foreach ([
            [],
            [
                HeaderShape::FORM => 'pyramid',
                HeaderShape::ENTRIES => '',
                HeaderShape::DRAWER_BELOW => 'wide',
                HeaderShape::STAYS => '?',
                HeaderShape::FADES => 'perhaps',
            ],
        ] as $settings) {
            $shape = HeaderShape::of($settings);
            self::assertSame(
                [HeaderForm::Row, EntriesStand::Start, OpenMark::Angle, null, true, false, false],
                [$shape->form, $shape->entries, $shape->mark, $shape->drawerBelow, $shape->stays, $shape->fades, $shape->onClick],
            );
        }
    }

    public function testWhatWasChosenIsWhatItIs(): void
    {
        $shape = HeaderShape::of([
            HeaderShape::FORM => 'drawer',
            HeaderShape::ENTRIES => 'middle',
            HeaderShape::MARK => 'plus',
            HeaderShape::DRAWER_BELOW => '900',
            HeaderShape::STAYS => 'no',
            HeaderShape::FADES => 'yes',
            HeaderShape::OPENS => 'click',
        ]);
        self::assertSame(
            [HeaderForm::Drawer, EntriesStand::Middle, OpenMark::Plus, 900, false, true, true],
            [$shape->form, $shape->entries, $shape->mark, $shape->drawerBelow, $shape->stays, $shape->fades, $shape->onClick],
        );
        self::assertSame(900, $shape->takesOverBelow(1200));
    }

    public function testTheDrawerTakesOverWhereTheRowNoLongerFitsAndAlwaysOnAPhone(): void
    {
        self::assertSame(1100, HeaderShape::of([])->takesOverBelow(1100));
        self::assertSame(640, HeaderShape::of([])->takesOverBelow(200));
    }

    public function testWhatIsChosenIsKeptInOneForm(): void
    {
        self::assertSame('stretched', HeaderShape::checked(HeaderShape::ENTRIES, ' stretched '));
        self::assertSame('900', HeaderShape::checked(HeaderShape::DRAWER_BELOW, '00900'));
        self::assertSame('', HeaderShape::checked(HeaderShape::DRAWER_BELOW, ' '));
        self::assertSame('no', HeaderShape::checked(HeaderShape::STAYS, 'no'));
    }

    #[DataProvider('none')]
    public function testWhatIsNoneOfTheChoicesIsRefusedWithWhatToDo(string $setting, string $typed, string $says): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessage($says);
        HeaderShape::checked($setting, $typed);
    }

    /** @return iterable<array{string, string, string}> */
    public static function none(): iterable
    {
        yield [HeaderShape::DRAWER_BELOW, '0', 'from 320 to 2560'];
        yield [HeaderShape::DRAWER_BELOW, '99999', '“99999” is no width'];
        yield [HeaderShape::DRAWER_BELOW, '-700', 'from 320 to 2560'];
        yield [HeaderShape::DRAWER_BELOW, '7e2', 'is no width'];
        yield [HeaderShape::DRAWER_BELOW, str_repeat('9', 400), 'is no width'];
        yield [HeaderShape::FORM, 'pyramid', 'none of the choices'];
        yield [HeaderShape::ENTRIES, '', 'none of the choices'];
        yield [HeaderShape::MARK, '<svg>', 'none of the choices'];
        yield [HeaderShape::STAYS, 'maybe', 'none of the choices'];
        yield [HeaderShape::OPENS, 'by itself', 'none of the choices'];
        yield ['notice', 'x', 'no such setting'];
    }
}

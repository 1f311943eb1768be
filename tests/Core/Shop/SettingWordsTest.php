<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Shop;

use Lantern\Core\Shop\EntriesStand;
use Lantern\Core\Shop\HeaderForm;
use Lantern\Core\Shop\HeaderShape;
use Lantern\Core\Shop\OpenMark;
use Lantern\Core\Shop\SettingWords;
use PHPUnit\Framework\TestCase;

final class SettingWordsTest extends TestCase
{
    public function testEverySettingSaysWhatItIsNow(): void
    {
        self::assertSame('The header is a drawer, on a desk, too.', SettingWords::of(HeaderShape::FORM, 'drawer'));
        self::assertSame('The phone’s drawer takes over below 900 px.', SettingWords::of(HeaderShape::DRAWER_BELOW, '900'));
        self::assertSame(
            'The phone’s drawer takes over where the entries of the header no longer fit.',
            SettingWords::of(HeaderShape::DRAWER_BELOW, ''),
        );
        self::assertSame('The header goes by with the page.', SettingWords::of(HeaderShape::STAYS, 'no'));
        self::assertSame('Dropdowns of the header fade in.', SettingWords::of(HeaderShape::FADES, 'yes'));
        self::assertSame('Dropdowns of the header open on a click.', SettingWords::of(HeaderShape::OPENS, 'click'));
        self::assertSame('The notice line says “Closed on Monday”.', SettingWords::of('notice', 'Closed on Monday'));
        self::assertSame('There is no notice line.', SettingWords::of('notice', ''));
        self::assertSame('Mail address: “a@b.example”.', SettingWords::of('mail', 'a@b.example'));
        self::assertSame('Company: none.', SettingWords::of('company', ''));
        self::assertSame('The shop’s details changed.', SettingWords::of('something_of_later', 'x'));
    }

    public function testNoTwoChoicesAreToldAlike(): void
    {
        foreach ([
            [HeaderShape::FORM, HeaderForm::cases()],
            [HeaderShape::ENTRIES, EntriesStand::cases()],
            [HeaderShape::MARK, OpenMark::cases()],
        ] as [$setting, $choices]) {
            $told = array_map(
                static fn (HeaderForm|EntriesStand|OpenMark $choice): string => SettingWords::of($setting, $choice->value),
                $choices,
            );
            self::assertSame($told, array_values(array_unique($told)));
        }
    }
}

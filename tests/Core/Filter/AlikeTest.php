<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Filter;

use Lantern\Core\Filter\Alike;
use Lantern\Core\Filter\FilterSetting;
use Lantern\Core\Filter\UnderstoodFields;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class AlikeTest extends TestCase
{
    /**
     * @param list<string>       $values
     * @param list<list<string>> $groups
     */
    #[DataProvider('values')]
    public function testValuesThatOnlyTheirWritingTellsApartAreFound(array $values, array $groups): void
    {
        self::assertSame($groups, Alike::among($values));
    }

    /** @return iterable<array{list<string>, list<list<string>>}> */
    public static function values(): iterable
    {
        yield [['50x70', 'A4', '50 × 70 cm', '50 X 70cm', '70 × 100 cm'], [['50x70', '50 × 70 cm', '50 X 70cm']]];
        yield [['5 m', '5 cm', '5'], []];
        yield [['5 m', '5m'], [['5 m', '5m']]];
        yield [['1,5 mm', '1.5 mm', '15 mm'], [['1,5 mm', '1.5 mm']]];
        yield [['Acid-free', 'acid free', 'acidic'], [['Acid-free', 'acid free']]];
        yield [['', ' '], [['', ' ']]];
        yield [['10', '9'], []];
    }

    public function testWhatStoodForAnotherGoesAlongWithIt(): void
    {
        $setting = (new FilterSetting())->changed(same: ['50x70' => '50 × 70'])->changed(same: ['50 × 70' => 'Half sheet']);
        self::assertSame(['50x70' => 'Half sheet', '50 × 70' => 'Half sheet'], $setting->same);
        self::assertSame(['50 × 70' => 'Half sheet'], $setting->changed(same: ['50x70' => ''])->same);
        self::assertSame('Half sheet', $setting->changed(same: ['A4' => '50x70'])->canonical('A4'), 'under the one that stands for it');
        self::assertSame('', $setting->changed(label: ' Format ')->changed(label: '')->label);
    }

    public function testOnlyWhatAPageUnderstandsMakesAnotherPageOfIt(): void
    {
        foreach ([
            '' => false,
            'utm_source=letter&fbclid=1' => false,
            'page-is-made=anew' => false,
            'maker=x' => true,
            'utm=1&option.Size=A4' => true,
            'sort=' => true,
            'q=a' => true,
            '%61fter=1' => true,
            'options=1' => false,
        ] as $query => $is) {
            self::assertSame($is, UnderstoodFields::anyIn($query), $query);
        }
    }
}

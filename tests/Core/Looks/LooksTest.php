<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Looks;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Looks\Colour;
use Lantern\Core\Looks\Looks;
use Lantern\Core\Looks\LooksSet;
use Lantern\Core\Looks\TooPale;
use Lantern\Core\Looks\Typeface;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LooksTest extends TestCase
{
    use TestTrait;

    public function testWhatNobodyChoseIsAsUsual(): void
    {
        $looks = Looks::of();
        self::assertSame(
            [Typeface::Literata, Typeface::Karla, 17.0, false],
            [$looks->heading, $looks->body, $looks->type(), $looks->isDark()],
        );
        self::assertSame([], $looks->tooPale());
        self::assertTrue(Looks::of($looks->values())->equals($looks));
    }

    public function testWhatIsNoneOfTheChoicesIsAsUsual(): void
    {
        $looks = Looks::of([
            Looks::BODY => 'papyrus',
            Looks::SCALE => '40',
            Looks::ACCENT => 'url(x)',
            Looks::CORNERS => '-1',
            Looks::EDGE => '',
            'notice' => 'x',
        ]);
        self::assertTrue($looks->equals(Looks::of()));
    }

    #[DataProvider('choices')]
    public function testAChoiceIsKeptInOneForm(string $setting, string $typed, string $kept): void
    {
        self::assertSame($kept, Looks::checked($setting, $typed));
        self::assertSame($kept, Looks::of([$setting => $kept])->values()[$setting]);
    }

    /** @return iterable<list<string>> */
    public static function choices(): iterable
    {
        yield [Looks::HEADING, ' bitter ', 'bitter'];
        yield [Looks::SCALE, '1.10', '1.1'];
        yield [Looks::SCALE, '0.9', '0.9'];
        yield [Looks::SCALE, '1.25', '1.25'];
        yield [Looks::CORNERS, '06', '6'];
        yield [Looks::CORNERS, '24', '24'];
        yield [Looks::ACCENT, '#ABC', '#aabbcc'];
        yield [Looks::EDGE, 'strong', 'strong'];
        yield [Looks::SHADOW, 'deep', 'deep'];
    }

    #[DataProvider('refusals')]
    public function testWhatNoLooksCanBeIsRefused(string $setting, string $typed, string $says): void
    {
        $this->expectExceptionObject(new Refused('looks_nothing' === $setting ? 'setting' : 'words', $says));
        Looks::checked($setting, $typed);
    }

    /** @return iterable<list<string>> */
    public static function refusals(): iterable
    {
        yield [Looks::BODY, 'papyrus', '“papyrus” is no typeface that ships. Choose one of those that are shown.'];
        yield [Looks::SCALE, '1.26', '“1.26” is no size that type can have. Write a number from 0.9 to 1.25, such as 1.05.'];
        yield [Looks::SCALE, '0.89', '“0.89” is no size that type can have. Write a number from 0.9 to 1.25, such as 1.05.'];
        yield [Looks::SCALE, "1\n1", "“1\n1” is no size that type can have. Write a number from 0.9 to 1.25, such as 1.05."];
        yield [Looks::CORNERS, '25', '“25” is no roundness of corners. Write pixels from 0 to 24.'];
        yield [Looks::WASH, 'red;}', '“red;}” is no colour. Write one as six hexadecimal digits, such as #1d5b63.'];
        yield [Looks::SHADOW, 'long', '“long” is none of the choices. Choose one of those that are shown.'];
        yield ['looks_nothing', 'x', 'The looks of the shop have no such setting.'];
    }

    public function testAnyAccentHasALabelThatIsReadOnIt(): void
    {
        $this->limitTo(400)->forAll(self::colour())->then(static function (Colour $accent): void {
            $looks = Looks::of([Looks::ACCENT => $accent->hex()]);
            self::assertGreaterThanOrEqual(TooPale::LEAST, $looks->onAccent()->contrast($accent));
            self::assertGreaterThanOrEqual(TooPale::LEAST, $looks->onAccent()->contrast($looks->pressed()), 'under the pointer, too');
        });
    }

    public function testTheColourThatIsOfferedIsReadOnAllOfItsGrounds(): void
    {
        $this->limitTo(150)->forAll(
            self::colour(),
            self::colour(),
            Generators::elements(Looks::INK, Looks::SOFT, Looks::ACCENT),
        )->then(static function (Colour $ground, Colour $colour, string $setting): void {
            $looks = Looks::of([Looks::GROUND => $ground->hex(), $setting => $colour->hex()]);
            foreach ($looks->tooPale() as $pale) {
                self::assertLessThan(TooPale::LEAST, $pale->contrast);
                if ($pale->setting !== $setting || null === $pale->offered) {
                    continue;
                }
                $mended = Looks::of([Looks::GROUND => $ground->hex(), $setting => $pale->offered->hex()]);
                // The footer has a little of the ink in it, so it moves with it.
                $left = array_filter(
                    $mended->tooPale(),
                    static fn (TooPale $one): bool => $one->setting === $setting && 'footer' !== $one->on,
                );
                self::assertSame([], $left);
            }
        });
    }

    public function testWhatIsTooPaleIsToldWithItsNumber(): void
    {
        $pale = Looks::of([Looks::ACCENT => '#e3b53c'])->tooPale();
        self::assertCount(1, $pale);
        self::assertSame(
            'Links on the wash under the pointer have a contrast of 1.7 to 1; 4.5 is the least that everybody can read.',
            $pale[0]->words(),
        );
        self::assertNotNull($pale[0]->offered);
        $none = Looks::of([Looks::GROUND => '#000000', Looks::SHEET => '#777777', Looks::WASH => '#ffffff'])->tooPale();
        self::assertNull($none[0]->offered);
        self::assertStringEndsWith('make ground, sheet and wash more alike.', $none[0]->words());
    }

    public function testEverySetThatShipsIsRead(): void
    {
        $names = [];
        foreach (LooksSet::shipped() as $set) {
            self::assertSame([], array_map(static fn (TooPale $one): string => $one->words(), $set->looks->tooPale()), $set->name);
            $names[] = $set->name;
        }
        self::assertSame($names, array_unique($names));
    }

    public function testASetHasAName(): void
    {
        self::assertSame('Late winter', LooksSet::name("  Late \n winter "));
        foreach (['', '  ', str_repeat('x', 61)] as $wrong) {
            try {
                LooksSet::name($wrong);
                self::fail("“{$wrong}” is no name");
            } catch (Refused $refused) {
                self::assertSame('words', $refused->field);
            }
        }
    }

    /** @return \Eris\Generator<Colour> */
    private static function colour(): \Eris\Generator
    {
        return Generators::map(
            static fn (array $parts): Colour => new Colour(...$parts),
            Generators::tuple(Generators::choose(0, 255), Generators::choose(0, 255), Generators::choose(0, 255)),
        );
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Release;

use Lantern\Core\Release\Aspect;
use Lantern\Core\Release\AspectChange;
use Lantern\Core\Release\Comparison;
use Lantern\Core\Release\Difference;
use Lantern\Core\Release\Presence;
use Lantern\Core\Release\Thing;
use Lantern\Core\Release\WaitingChange;
use PHPUnit\Framework\TestCase;

final class ComparisonTest extends TestCase
{
    public function testEachChangeOfABayHasASentence(): void
    {
        $bay = static fn (Presence $presence, string $name, string $leads, AspectChange ...$aspects): Difference => new Difference(
            Thing::Bay,
            'footer-3',
            'frame',
            '',
            $presence,
            $name,
            '',
            $leads,
            '',
            array_values($aspects),
        );
        self::assertSame([
            'Footer 3: “Papers” hangs here.',
            'Footer 3: its heading is “Shop”.',
            'Footer 3: it stands elsewhere in the footer.',
            'Footer 3: it takes 2 of the footer’s parts.',
            'Footer 3: “nothing” hangs here.',
            'Beside the pages of “Guides”: there is a bay now.',
            'Beside the pages of “Guides”: it shows the menu that hangs there.',
            'Beside the pages of “Guides”: the bay is taken away.',
        ], Comparison::changes([
            $bay(
                Presence::Both,
                '',
                'Papers',
                new AspectChange(Aspect::Target, 'a', 'b'),
                new AspectChange(Aspect::Label, '', 'Shop'),
                new AspectChange(Aspect::Position, '1', '2'),
                new AspectChange(Aspect::Width, '1', '2'),
            ),
            $bay(Presence::Both, '', '', new AspectChange(Aspect::Target, 'a', '')),
            $bay(Presence::New, 'Guides', ''),
            $bay(Presence::Both, 'Guides', '', new AspectChange(Aspect::Filling, '1', '')),
            $bay(Presence::Removed, 'Guides', ''),
        ])[0]->sentences);
    }

    public function testSettingsAreNamedForWhatTheyAreAbout(): void
    {
        $setting = static fn (string $id, string $value): Difference => new Difference(
            Thing::Setting,
            $id,
            'shop',
            '',
            Presence::Both,
            leads: $value,
        );
        $change = Comparison::changes([
            $setting('looks_accent', '#1d5b63'),
            $setting('looks_scale', '1.1'),
            $setting('header_second', 'below'),
            $setting('last_line', ''),
        ])[0];
        self::assertSame('looks, how the header is made, last line', $change->name);
        self::assertSame(
            [
                'The accent, of links and buttons, is #1d5b63.',
                'Type is 1.1 times as large as usual.',
                'The second row stands below the header.',
                'The last line says © and the company.',
            ],
            $change->sentences,
        );
    }

    public function testWhatBelongsToOneThingIsToldAsOne(): void
    {
        $changes = Comparison::changes([
            new Difference(Thing::Redirect, 'r', 'r', '/care', Presence::New, '/care', leads: 'Care of paper'),
            new Difference(Thing::Words, 'p', 'p', 'Care of paper', Presence::Both),
            new Difference(
                Thing::Place,
                'p',
                'p',
                'Care of paper',
                Presence::Both,
                aspects: [
                    new AspectChange(Aspect::Light, 'open', 'quiet'),
                    new AspectChange(Aspect::Dates),
                    new AspectChange(Aspect::Dates),
                ],
            ),
            new Difference(
                Thing::Entry,
                'e',
                'm',
                'Header',
                Presence::Both,
                'New',
                'Old',
                aspects: [new AspectChange(Aspect::Label), new AspectChange(Aspect::Enabled, '1', '')],
            ),
        ]);
        self::assertSame([
            ['Header', ['“Old” is now called “New”.', '“New” was switched off.']],
            ['Care of paper', ['The words changed.', 'Light: Open becomes Quiet.', 'Its opening has other dates.']],
            ['/care', ['Visitors are led on to Care of paper.']],
        ], array_map(static fn (WaitingChange $change): array => [$change->name, $change->sentences], $changes));
        self::assertSame('Header · Care of paper · 1 redirect', Comparison::summary($changes));
    }

    public function testEveryAspectOfAPlaceAndAnEntryIsSaid(): void
    {
        foreach (Aspect::cases() as $aspect) {
            foreach ([Thing::Place, Thing::Entry] as $thing) {
                $said = Comparison::changes([new Difference(
                    $thing,
                    'x',
                    'x',
                    'X',
                    Presence::Both,
                    'is',
                    'was',
                    aspects: [new AspectChange($aspect, 'was', 'is')],
                )])[0]->sentences;
                self::assertCount(1, $said);
                self::assertStringEndsWith('.', $said[0]);
            }
        }
    }

    public function testALongSummaryIsCutShort(): void
    {
        $changes = array_map(static fn (int $n): WaitingChange => new WaitingChange(Thing::Place, "p$n", "Place $n", []), range(1, 7));
        self::assertSame('Place 1 · Place 2 · Place 3 · Place 4 · 3 more', Comparison::summary($changes));
    }
}

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
    public function testWhatBelongsToOneThingIsToldAsOne(): void
    {
        $changes = Comparison::changes([
            new Difference(Thing::Redirect, 'r', 'r', '/care', Presence::New, '/care', leads: 'Care of paper'),
            new Difference(Thing::Words, 'p', 'p', 'Care of paper', Presence::Both),
            new Difference(Thing::Place, 'p', 'p', 'Care of paper', Presence::Both, aspects: [new AspectChange(Aspect::Light, 'open', 'quiet'), new AspectChange(Aspect::Dates), new AspectChange(Aspect::Dates)]),
            new Difference(Thing::Entry, 'e', 'm', 'Header', Presence::Both, 'New', 'Old', aspects: [new AspectChange(Aspect::Label), new AspectChange(Aspect::Enabled, '1', '')]),
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
                $said = Comparison::changes([new Difference($thing, 'x', 'x', 'X', Presence::Both, 'is', 'was', aspects: [new AspectChange($aspect, 'was', 'is')])])[0]->sentences;
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

<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Menu;

use Lantern\Core\Address\Address;
use Lantern\Core\Menu\ContactTarget;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\LeftOut;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Menu\ResolvedMenu;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Visitor;
use PHPUnit\Framework\TestCase;

final class ResolverTest extends TestCase
{
    private const NOW = '2026-03-01T12:00:00Z';

    public function testGivesTheTreeWithItsAddressesAndLabels(): void
    {
        $resolved = $this->resolve(
            $this->to(
                'papers',
                children: [
                    $this->to('marbled', label: 'Marbled ones', part: 'by-colour'),
                    new Entry('fair', new OutsideTarget('https://fair.example/'), 'The fair', newTab: true),
                ],
            ),
            new Entry('mail', ContactTarget::mail('hello@tansyandrook.example', 'A question'), 'Write'),
        );
        self::assertSame([
            ['Papers', '/papers', [['Marbled ones', '/papers/marbled#by-colour', []], ['The fair', 'https://fair.example/', []]]],
            ['Write', 'mailto:hello@tansyandrook.example?subject=A%20question', []],
        ], $this->shown($resolved->entries));
        self::assertSame([], $resolved->leftOut);
        self::assertTrue($resolved->entries[0]->children[1]->newTab);
    }

    public function testLeavesOutWithAReason(): void
    {
        $resolved = $this->resolve(
            new Entry('1', new PlaceTarget('papers'), null, enabled: false),
            new Entry('2', new PlaceTarget('papers'), null, opening: new Opening(new \DateTimeImmutable('2026-03-02T00:00:00Z'))),
            new Entry('3', new PlaceTarget('papers'), null, opening: new Opening(null, new \DateTimeImmutable('2026-03-01T12:00:00Z'))),
            new Entry('4', new PlaceTarget('papers'), null, audience: Audience::Customers),
            $this->to('closed'),
            $this->to('quiet'),
            $this->to('for-customers'),
            $this->to('nowhere'),
            new Entry('9', new Heading(), 'Empty'),
        );
        self::assertSame([], $resolved->entries);
        self::assertSame(
            [
                'switched-off',
                'not-yet',
                'no-longer',
                'other-audience',
                'place-closed',
                'place-quiet',
                'place-not-for-visitor',
                'place-gone',
                'nothing-below',
            ],
            array_map(static fn (LeftOut $left): string => $left->reason->value, $resolved->leftOut),
        );
    }

    public function testTheFirstReasonCounts(): void
    {
        $resolved = $this->resolve(new Entry('1', new PlaceTarget('closed'), null, enabled: false, audience: Audience::Customers));
        self::assertSame('switched-off', $resolved->leftOut[0]->reason->value);
    }

    public function testAParentWhosePlaceIsLeftOutBecomesAHeading(): void
    {
        $resolved = $this->resolve($this->to('quiet', children: [$this->to('papers'), $this->to('closed')]));
        self::assertSame([['Quiet', null, [['Papers', '/papers', []]]]], $this->shown($resolved->entries));
        self::assertNull($resolved->entries[0]->placeId);
        self::assertSame(
            ['Quiet heading', 'Closed out'],
            array_map(static fn (LeftOut $left): string => $left->label.($left->asHeading ? ' heading' : ' out'), $resolved->leftOut),
        );
    }

    public function testAParentThatIsSwitchedOffTakesItsChildrenAlong(): void
    {
        $resolved = $this->resolve(new Entry('off', new PlaceTarget('papers'), null, [$this->to('marbled')], enabled: false));
        self::assertSame([], $resolved->entries);
        self::assertSame(
            ['switched-off', 'parent-left-out'],
            array_map(static fn (LeftOut $left): string => $left->reason->value, $resolved->leftOut),
        );
    }

    public function testAHeadingWhoseChildrenAreAllLeftOutIsLeftOut(): void
    {
        $resolved = $this->resolve(new Entry('h', new Heading(), 'More', [$this->to('quiet')]));
        self::assertSame([], $resolved->entries);
        self::assertSame(['More', 'Quiet'], array_map(static fn (LeftOut $left): string => $left->label, $resolved->leftOut));
    }

    public function testMarksTheCurrentPlaceAndWhatStandsAboveIt(): void
    {
        $resolved = $this->resolve($this->to('papers', children: [$this->to('marbled')]), $this->to('marbled', id: 'again'));
        self::assertEquals(['to-papers' => 'true', 'to-marbled' => 'page', 'again' => 'page'], $resolved->current('marbled'));
        self::assertSame([], $resolved->current('quiet'));
    }

    public function testTellsTheFirstMomentAtWhichItCouldChange(): void
    {
        $resolved = $this->resolve(
            new Entry(
                '1',
                new PlaceTarget('papers'),
                null,
                opening: new Opening(new \DateTimeImmutable('2026-01-01T00:00:00Z'), new \DateTimeImmutable('2026-06-01T00:00:00Z')),
            ),
            new Entry('off', new Heading(), 'Off', [$this->to('opens-in-may')], enabled: false),
        );
        self::assertSame('2026-05-01', $resolved->nextChange?->format('Y-m-d'));
        self::assertNull($this->resolve($this->to('papers'))->nextChange);
    }

    /** What a menu shows may differ from one moment to a later one only if `nextChange` lies between them. */
    public function testNothingChangesBeforeTheNextChange(): void
    {
        $days = [3, 9, 14, 20, 27];
        $entries = [];
        foreach ($days as $n => $day) {
            $from = new \DateTimeImmutable(\sprintf('2026-03-%02dT00:00:00Z', $day));
            $entries[] = new Entry(
                "e$n",
                new PlaceTarget('papers'),
                "From $day",
                opening: new Opening($from, 0 === $n % 2 ? $from->modify('+4 days') : null),
            );
        }
        $moment = new \DateTimeImmutable('2026-03-01T00:00:00Z');
        $changes = 0;
        while (null !== $next = $this->resolveAt($moment, ...$entries)->nextChange) {
            $justBefore = $this->resolveAt($next->modify('-1 second'), ...$entries);
            self::assertEquals($this->resolveAt($moment, ...$entries)->entries, $justBefore->entries);
            self::assertNotEquals($justBefore->entries, $this->resolveAt($next, ...$entries)->entries);
            $moment = $next;
            ++$changes;
        }
        self::assertSame(8, $changes);
    }

    /** @param list<Entry> $children */
    private function to(string $placeId, ?string $label = null, array $children = [], string $part = '', ?string $id = null): Entry
    {
        return new Entry($id ?? "to-$placeId", new PlaceTarget($placeId, $part), $label, $children);
    }

    private function resolve(Entry ...$entries): ResolvedMenu
    {
        return $this->resolveAt(new \DateTimeImmutable(self::NOW), ...$entries);
    }

    private function resolveAt(\DateTimeImmutable $moment, Entry ...$entries): ResolvedMenu
    {
        $place = static fn (
            string $id,
            string $title,
            string $address,
            Light $light = Light::Open,
            ?Opening $opening = null,
            Audience $audience = Audience::Everyone,
        ): Place => new Place(
            $id,
            PlaceKind::Category,
            $title,
            Address::parse($address),
            light: $light,
            opening: $opening ?? new Opening(),
            audience: $audience,
        );

        return Resolver::resolve(new Tree(array_values($entries)), [
            'papers' => $place('papers', 'Papers', '/papers'),
            'marbled' => $place('marbled', 'Marbled', '/papers/marbled'),
            'closed' => $place('closed', 'Closed', '/closed', Light::Closed),
            'quiet' => $place('quiet', 'Quiet', '/quiet', Light::Quiet),
            'for-customers' => $place('for-customers', 'Yours', '/yours', audience: Audience::Customers),
            'opens-in-may' => $place('opens-in-may', 'May', '/may', opening: new Opening(new \DateTimeImmutable('2026-05-01T00:00:00Z'))),
        ], Visitor::guest($moment));
    }

    /**
     * @param list<ResolvedEntry> $entries
     *
     * @return list<array{string, string|null, array<mixed>}>
     */
    private function shown(array $entries): array
    {
        return array_map(fn (ResolvedEntry $entry): array => [$entry->label, $entry->href, $this->shown($entry->children)], $entries);
    }
}

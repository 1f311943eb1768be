<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Impact\EntryMention;
use Lantern\Core\Impact\LightPlanner;
use Lantern\Core\Impact\Mention;
use Lantern\Core\Impact\MentionKind;
use Lantern\Core\Impact\NamedTree;
use Lantern\Core\Impact\OutsideMention;
use Lantern\Core\Impact\TextMention;
use Lantern\Core\Impact\Touch;
use Lantern\Core\Impact\TouchWords;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Closing;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\Revision;
use Lantern\Core\Visitor;
use Lantern\Tests\Core\Places;
use PHPUnit\Framework\TestCase;

final class LightPlannerTest extends TestCase
{
    public function testQuietLeavesMenusAndBreaksNothing(): void
    {
        self::assertSame([
            '/kits goes on opening. It is never “not found”, whoever arrives from wherever.',
            'Header: “Kits” becomes a heading above 1 entry.',
            'The shop’s own search and the page of Front page leave it out.',
            'Its products keep their own light: each stays where it is shown now.',
            '1 text links here: Journal. Whoever follows it goes on arriving.',
            '2 outside mentions lead here: Ad (advertisement) and Code (printed code). Whoever follows them goes on arriving.',
        ], $this->touches('kits', new Revision(light: Light::Quiet)));
    }

    public function testClosedBreaksWhatLeadsThere(): void
    {
        self::assertSame([
            'Breaks: /kits answers “not found” (404).',
            'Header: “Kits” becomes a heading above 1 entry.',
            'The shop’s own search and the page of Front page leave it out.',
            'Breaks: 1 text links here: Journal. Whoever follows it finds nothing.',
            'Breaks: 2 outside mentions lead here: Ad (advertisement) and Code (printed code). Whoever follows them finds nothing.',
            'Breaks: 214 visits arrived here in 30 days.',
            'The sitemap names it no more.',
        ], $this->touches('kits', new Revision(light: Light::Closed)));
    }

    public function testClosedOntoAnotherPlaceBreaksNothing(): void
    {
        $said = $this->touches('first', new Revision(light: Light::Closed, closing: new Closing(ClosedAnswer::Elsewhere, 'kits')));
        self::assertSame('/kits/first leads to /kits for now (302).', $said[0]);
        self::assertSame('Header loses “First kits”.', $said[1]);
        self::assertSame([], array_filter($said, static fn (string $one): bool => str_starts_with($one, 'Breaks')));
    }

    public function testForCustomersOnlyAGuestIsAskedToSignIn(): void
    {
        self::assertSame('/kits asks a guest to sign in (403).', $this->touches('kits', new Revision(audience: Audience::Customers))[0]);
        self::assertSame(
            '/kits opens for guests only.',
            $this->touches('kits', new Revision(audience: Audience::Guests), Visitor::customer(self::now()))[0],
        );
        self::assertSame(
            [],
            $this->touches('kits', new Revision(audience: Audience::Customers), Visitor::customer(self::now())),
            'a customer notices nothing at the moment, but the sitemap does',
        );
    }

    public function testDatesSayWhatTheyWillDo(): void
    {
        $said = $this->touches(
            'kits',
            new Revision(opening: new Opening(
                new \DateTimeImmutable('2027-03-01T10:00:00Z'),
                new \DateTimeImmutable('2027-04-01T00:00:00Z'),
            )),
        );
        self::assertSame('Breaks: /kits answers “not found” (404).', $said[0]);
        self::assertSame('It opens by itself on 1 March 2027, 10:00 (UTC).', $said[1]);
        self::assertSame('It closes by itself on 1 April 2027, 00:00 (UTC).', $said[2]);
        self::assertSame(
            ['It closes by itself on 1 April 2027, 00:00 (UTC).'],
            $this->touches('kits', new Revision(opening: new Opening(until: new \DateTimeImmutable('2027-04-01T00:00:00Z')))),
        );
    }

    public function testDatesAreToldInTheTimeZoneOfTheShop(): void
    {
        $now = self::now()->setTimezone(new \DateTimeZone('Europe/Paris'));
        self::assertSame(
            ['It closes by itself on 1 April 2027, 02:00 (Europe/Paris).'],
            $this->touches(
                'kits',
                new Revision(opening: new Opening(until: new \DateTimeImmutable('2027-03-31T17:00:00-07:00'))),
                Visitor::guest($now),
            ),
        );
    }

    public function testWhatOnlyCustomersNoticeIsToldAsTheirs(): void
    {
        $before = $this->place('kits');
        $said = array_map(
            self::said(...),
            $this->planner()->touchesForAll(
                $before,
                (new Revision(audience: Audience::Guests))->appliedTo($before, $this->shop()),
                self::now(),
            ),
        );
        self::assertContains('Breaks: For customers: 1 text links here: Journal. Whoever follows it is asked to sign in.', $said);
        self::assertSame($said, array_unique($said), 'nothing is told twice');
        $both = $this->planner()->touchesForAll(
            $before,
            (new Revision(light: Light::Closed))->appliedTo($before, $this->shop()),
            self::now(),
        );
        self::assertSame([], array_filter($both, static fn (Touch $one): bool => $one->forCustomers), 'what both get is told once');
    }

    public function testAMenuMayBeCalledANumber(): void
    {
        $before = $this->place('first');
        $planner = new LightPlanner([new NamedTree('7', new Tree([new Entry('e', new PlaceTarget('first'))]))], [], [], 0);
        self::assertContains(
            '7 loses “First kits”.',
            array_map(
                self::said(...),
                $planner->touches(
                    $before,
                    (new Revision(light: Light::Quiet))->appliedTo($before, $this->shop()),
                    Visitor::guest(self::now()),
                ),
            ),
        );
    }

    public function testOpeningWhatWasClosedSaysWhatComesBack(): void
    {
        $before = (new Revision(light: Light::Closed))->appliedTo($this->place('first'), $this->shop());
        $said = array_map(self::said(...), $this->planner()->touches($before, $this->place('first'), Visitor::guest(self::now())));
        self::assertContains('/kits/first opens.', $said);
        self::assertContains('Header shows “First kits”.', $said);
        self::assertContains('The sitemap names it.', $said);
    }

    public function testNothingDiffersWhereNothingChanges(): void
    {
        self::assertSame([], $this->touches('kits', new Revision(title: 'All kits')));
    }

    /** @return list<string> */
    private function touches(string $id, Revision $revision, ?Visitor $visitor = null): array
    {
        $before = $this->place($id);
        $touches = $this->planner()->touches(
            $before,
            $revision->appliedTo($before, $this->shop()),
            $visitor ?? Visitor::guest(self::now()),
        );

        return array_values(array_filter(
            array_map(self::said(...), $touches),
            static fn (string $one): bool => null === $visitor || !$visitor->signedIn || !str_contains($one, 'sitemap'),
        ));
    }

    private static function said(Touch $touch): string
    {
        return ($touch->breaks ? 'Breaks: ' : '').TouchWords::of($touch);
    }

    private function planner(): LightPlanner
    {
        $header = new Tree([new Entry('e1', new PlaceTarget('kits'), null, [new Entry('e2', new PlaceTarget('first'))])]);
        $places = [];
        foreach ($this->shop()->all() as $place) {
            $places[$place->id] = $place;
        }

        return new LightPlanner([new NamedTree('Header', $header)], $places, [
            new EntryMention('Header', 'm', 'e1', 'Kits'),
            new Mention(MentionKind::List, 'Front page', 'front'),
            new TextMention('Journal', 'j'),
            new OutsideMention('Ad', 'o1', 'advertisement'),
            new OutsideMention('Code', 'o2', 'printed code'),
        ], 214, ['kits' => '/kits']);
    }

    private function shop(): Places
    {
        return new Places(
            new Place('kits', PlaceKind::Category, 'Kits', Address::parse('/kits')),
            new Place('first', PlaceKind::Category, 'First kits', Address::parse('/kits/first'), 'kits'),
        );
    }

    private function place(string $id): Place
    {
        return $this->shop()->get($id) ?? throw new \LogicException();
    }

    private static function now(): \DateTimeImmutable
    {
        return new \DateTimeImmutable('2026-11-23T12:00:00Z');
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Impact;

use Lantern\Core\Impact\PlaceVisibility;
use Lantern\Core\Impact\Touch;
use Lantern\Core\Impact\TouchKind;
use Lantern\Core\Impact\TouchWords;
use Lantern\Core\Impact\VisitorOutcome;
use Lantern\Core\Impact\VisitorOutcomeKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TouchWordsTest extends TestCase
{
    public function testEachKindIsOneSentenceOfItsOwnWithAllThatItIsAbout(): void
    {
        $said = [];
        foreach (TouchKind::cases() as $kind) {
            $touch = new Touch(
                $kind,
                ['First thing'],
                '/somewhere',
                new VisitorOutcome(VisitorOutcomeKind::IsLedForGood, 'Papers'),
                7,
                ['the almanac'],
                new \DateTimeImmutable('2027-03-31T23:00:00', new \DateTimeZone('Europe/Paris')),
                PlaceVisibility::Open,
                PlaceVisibility::Closed,
            );
            $sentence = TouchWords::of($touch);
            // What is found says a sentence itself, and there may be more than are named.
            self::assertMatchesRegularExpression(
                \in_array($kind, [TouchKind::FindingsCome, TouchKind::FindingsGo], true) ? '/^\S.*\. First thing …$/Du' : '/^\S.*\.$/Du',
                $sentence,
            );
            self::assertStringNotContainsString('  ', $sentence);
            self::assertSame(TouchKind::LeadsOn === $kind, \in_array($sentence, $said, true), $kind->value);
            self::assertSame("For customers: $sentence", TouchWords::of($touch->forCustomers()));
            $said[] = $sentence;
        }
        self::assertGreaterThan(35, \count($said));
    }

    #[DataProvider('sentences')]
    public function testOneAndMany(Touch $touch, string $sentence): void
    {
        self::assertSame($sentence, TouchWords::of($touch));
    }

    /** @return iterable<array{Touch, string}> */
    public static function sentences(): iterable
    {
        $nothing = new VisitorOutcome(VisitorOutcomeKind::FindsNothing);
        $papers = new VisitorOutcome(VisitorOutcomeKind::IsLedForGood, 'Papers');
        yield [
            new Touch(TouchKind::AnswersNow, at: '/kits', arrival: new VisitorOutcome(VisitorOutcomeKind::IsLedForNow, '/tools')),
            '/kits leads to /tools for now (302).',
        ];
        yield [
            new Touch(TouchKind::AnswersNow, at: '/kits', arrival: new VisitorOutcome(VisitorOutcomeKind::IsLedForNow)),
            '/kits leads to another place for now (302).',
        ];
        yield [
            new Touch(TouchKind::LeadsOn, at: '/kits', arrival: $papers, count: 1),
            '/kits leads to “Papers” for good (301); it had 1 visit in 30 days.',
        ];
        yield [
            new Touch(TouchKind::LeadsOn, at: '/kits', arrival: new VisitorOutcome(VisitorOutcomeKind::FindsItGone)),
            '/kits answers “gone” (410).',
        ];
        yield [new Touch(TouchKind::NobodyKnows), 'No visitor knows these addresses yet, so nothing needs to lead on from them.'];
        yield [new Touch(TouchKind::EntryBecomesHeading, ['Kits'], 'Header', count: 1), 'Header: “Kits” becomes a heading above 1 entry.'];
        yield [new Touch(TouchKind::MenusFollow, ['Header']), 'Header follows by itself.'];
        yield [new Touch(TouchKind::MenusFollow, ['A', 'B', 'C', 'D', 'E']), 'A, B, C and 2 more follow by themselves.'];
        yield [new Touch(TouchKind::ListsShowIt), 'The shop’s own search shows it.'];
        yield [
            new Touch(TouchKind::RedirectsLead, ['/a'], arrival: $nothing),
            '1 redirect leads here: /a. Whoever follows it finds nothing.',
        ];
        yield [
            new Touch(TouchKind::OutsideLeads, ['a', 'b'], arrival: new VisitorOutcome(VisitorOutcomeKind::IsAskedToSignIn)),
            '2 outside mentions lead here: a and b. Whoever follows them is asked to sign in.',
        ];
        yield [new Touch(TouchKind::TextsRewritten, ['Care'], arrival: $nothing), 'The links in “Care” become plain words.'];
        yield [
            new Touch(TouchKind::ClosedPlacesFollow, ['Old'], arrival: new VisitorOutcome(VisitorOutcomeKind::FindsItGone)),
            'Closed places that lead here answer “gone” instead: “Old”.',
        ];
        yield [new Touch(TouchKind::OlderAddressesFollow, ['/a'], arrival: $nothing), 'Older addresses answer “gone”, too: /a.'];
        yield [new Touch(TouchKind::RedirectsFallAway, ['/a', '/b']), 'The redirects from /a and /b fall away, because places open there.'];
        yield [new Touch(TouchKind::RedirectsShadowed, ['/a']), 'The redirect from /a no longer reaches anybody, because the place wins.'];
        yield [
            new Touch(TouchKind::OldAddressesLeadOn, ['/a'], '/a', count: 2, also: ['the almanac']),
            '/a led 2 visits here in 30 days and stands in the almanac: /a will lead on for good (301).',
        ];
        yield [new Touch(TouchKind::OldAddressesLeadOn, ['/a', '/b']), '/a and /b will lead on for good (301).'];
        yield [
            new Touch(TouchKind::BelowKeepTheirAddresses, ['A', 'B']),
            '“A” and “B” below it keep their addresses, and stand one step higher.',
        ];
        yield [
            new Touch(TouchKind::ClosesByItself, moment: new \DateTimeImmutable('2027-04-01T02:00:00+00:00')),
            'It closes by itself on 1 April 2027, 02:00 (UTC).',
        ];
        yield [
            new Touch(TouchKind::SeenOtherwise, ['Kits'], seen: PlaceVisibility::OpenUnlisted, seenToday: PlaceVisibility::OtherAudience),
            '“Kits” opens, but is in no menu or list; for a guest today it asks for another audience.',
        ];
    }

    public function testTheSameIsTheSameWhoeverNotices(): void
    {
        $touch = new Touch(TouchKind::AnswersNow, at: '/7', arrival: new VisitorOutcome(VisitorOutcomeKind::IsLedForNow, '/a'));
        self::assertTrue($touch->equals($touch->forCustomers()));
        self::assertFalse($touch->equals(new Touch(
            TouchKind::AnswersNow,
            at: '/7',
            arrival: new VisitorOutcome(VisitorOutcomeKind::IsLedForNow, '/b'),
        )));
        self::assertFalse((new Touch(TouchKind::EntryGoes, ['1.5']))->equals(new Touch(TouchKind::EntryGoes, ['1.50'])));
        self::assertTrue((new Touch(
            TouchKind::OpensByItself,
            moment: new \DateTimeImmutable('2027-01-01T00:00:00Z'),
        ))->equals(new Touch(TouchKind::OpensByItself, moment: new \DateTimeImmutable('2027-01-01T01:00:00+01:00'))));
    }
}

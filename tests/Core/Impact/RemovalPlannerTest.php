<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Impact\EntryMention;
use Lantern\Core\Impact\Mention;
use Lantern\Core\Impact\MentionKind;
use Lantern\Core\Impact\OutsideMention;
use Lantern\Core\Impact\Removal;
use Lantern\Core\Impact\RemovalPlanner;
use Lantern\Core\Impact\TextMention;
use Lantern\Core\Impact\Touch;
use Lantern\Core\Impact\TouchWords;
use Lantern\Core\Impact\VisitorForwarding;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RemovalPlannerTest extends TestCase
{
    public function testVisitorsAreLedOnFromEveryAddressTheyKnow(): void
    {
        $removal = $this->plan(
            VisitorForwarding::to($this->place('papers', '/papers')),
            [$this->rule('/older', Goal::place('gifts')), $this->rule('/typed', Goal::address(Address::parse('/gifts')))],
        );
        self::assertSame(['/gifts → papers 301'], $this->made($removal));
        self::assertSame(['/older → papers 301', '/typed → papers 301'], $this->rules($removal->changed));
        self::assertSame([], $removal->dropped);
    }

    public function testGoneIsGoneForOlderAddressesToo(): void
    {
        $removal = $this->plan(VisitorForwarding::gone(), [$this->rule('/older', Goal::place('gifts'))]);
        self::assertSame(['/gifts →  410'], $this->made($removal));
        self::assertSame(['/older →  410'], $this->rules($removal->changed));
    }

    public function testNotFoundLeavesNothingThatLeadsNowhere(): void
    {
        $removal = $this->plan(
            VisitorForwarding::notFound(),
            [$this->rule('/older', Goal::place('gifts')), $this->rule('/other', Goal::place('papers'))],
        );
        self::assertSame([[], ['/older → gifts 301'], []], [$this->made($removal), $this->rules($removal->dropped), $removal->changed]);
        self::assertTrue($removal->touches[0]->breaks);
    }

    public function testARedirectFromWhereTheNewGoalStandsFallsAwayInsteadOfGoingRound(): void
    {
        $removal = $this->plan(VisitorForwarding::to($this->place('papers', '/papers')), [$this->rule('/papers', Goal::place('gifts'))]);
        self::assertSame([['/papers → gifts 301'], []], [$this->rules($removal->dropped), $removal->changed]);
    }

    public function testNothingLeadsOnFromAnAddressThatNobodyKnows(): void
    {
        $removal = $this->plan(VisitorForwarding::to($this->place('papers', '/papers')), [], known: null);
        self::assertSame([], $removal->made);
        self::assertStringContainsString('No visitor knows /gifts yet', TouchWords::of($removal->touches[0]));
    }

    public function testAnUnpublishedAddressIsKeptWhereARedirectForAllBelowLeadsThere(): void
    {
        $prefix = new Rule('x', Address::parse('/shop-of-2019'), true, Goal::address(Address::parse('/presents')), RedirectStatus::ForGood);
        $removal = $this->plan(VisitorForwarding::gone(), [$prefix], at: '/presents/gifts');
        self::assertSame(['/gifts →  410', '/presents/gifts →  410'], $this->made($removal));
    }

    public function testWhatWasHiddenBehindThePlaceDoesNotComeBack(): void
    {
        $hidden = $this->rule('/gifts', Goal::place('tools'));
        self::assertSame(['/gifts → tools 301'], $this->rules($this->plan(VisitorForwarding::notFound(), [$hidden])->dropped));
        $closed = $this->plan(VisitorForwarding::notFound(), [$hidden], light: Light::Closed);
        self::assertSame([], $closed->dropped, 'visitors followed it, since the place was closed');
    }

    public function testSaysWhatBecomesOfEachMention(): void
    {
        $mentions = [
            new EntryMention('Header', 'm', 'e', 'Gifts', ['Kits']),
            new TextMention('Care of paper', 'p'),
            new OutsideMention('Autumn', 'o', 'advertisement'),
            new Mention(MentionKind::ClosedPlace, 'Old kits'),
        ];
        $said = implode(
            ' ',
            array_map(
                static fn (Touch $touch): string => ($touch->breaks ? 'Breaks: ' : '').TouchWords::of($touch),
                $this->plan(VisitorForwarding::to($this->place('papers', '/papers')), [], mentions: $mentions, visits: 214)->touches,
            ),
        );
        self::assertSame(
            '/gifts leads to “Title of papers” for good (301); it had 214 visits in 30 days. Header loses “Gifts” under Kits; what stands '
                .'below it stays, under a heading. The links in “Care of paper” lead to “Title of papers”. Closed places that lead here '
                .'lead to “Title of papers”: “Old kits”. Outside of the shop its address stands in Autumn (advertisement). Whoever '
                .'follows it arrives at “Title of papers”; change it there by hand. “Title of child” below it keeps its address, and '
                .'stands one step higher.',
            $said,
        );
        $said = implode(
            ' ',
            array_map(
                static fn (Touch $touch): string => ($touch->breaks ? 'Breaks: ' : '').TouchWords::of($touch),
                $this->plan(VisitorForwarding::gone(), [], mentions: $mentions)->touches,
            ),
        );
        self::assertStringContainsString('Breaks: /gifts answers “gone” (410).', $said);
        self::assertStringContainsString('The links in “Care of paper” become plain words.', $said);
        self::assertStringContainsString(
            'Breaks: Outside of the shop its address stands in Autumn (advertisement). Whoever follows it finds nothing',
            $said,
        );
    }

    #[DataProvider('refusals')]
    public function testRefuses(PlaceKind $kind, ?Place $to, string $says): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessageMatches("/$says/");
        (new RemovalPlanner(Address::parse('/gifts'), [], []))->plan(
            new Place('gifts', $kind, 'Gifts', Address::parse('/gifts')),
            null === $to ? VisitorForwarding::gone() : VisitorForwarding::to($to),
            new \DateTimeImmutable(),
        );
    }

    /** @return iterable<string, array{PlaceKind, Place|null, string}> */
    public static function refusals(): iterable
    {
        yield 'the front page' => [PlaceKind::FrontPage, null, 'always there'];
        yield 'a product' => [PlaceKind::Product, null, 'comes from elsewhere'];
        yield 'to itself' => [
            PlaceKind::Collection,
            new Place('gifts', PlaceKind::Collection, 'Gifts', Address::parse('/gifts')),
            'to itself',
        ];
        yield 'to what is closed' => [
            PlaceKind::Collection,
            new Place('x', PlaceKind::Page, 'Shut', Address::parse('/x'), null, Light::Closed),
            '“Shut” does not open',
        ];
    }

    /**
     * @param list<Rule>    $rules
     * @param list<Mention> $mentions
     */
    private function plan(
        VisitorForwarding $onward,
        array $rules,
        ?string $known = '/gifts',
        array $mentions = [],
        int $visits = 0,
        string $at = '/gifts',
        Light $light = Light::Open,
    ): Removal {
        $planner = new RemovalPlanner(
            null === $known ? null : Address::parse($known),
            $rules,
            $mentions,
            $visits,
            [] === $mentions ? [] : [$this->place('child', '/gifts/child')],
        );

        return $planner->plan(
            new Place('gifts', PlaceKind::Collection, 'Gifts', Address::parse($at), null, $light),
            $onward,
            new \DateTimeImmutable(),
        );
    }

    private function place(string $id, string $address): Place
    {
        return new Place($id, PlaceKind::Category, "Title of $id", Address::parse($address));
    }

    private function rule(string $from, Goal $goal): Rule
    {
        return new Rule($from, Address::parse($from), false, $goal, RedirectStatus::ForGood);
    }

    /** @return list<string> */
    private function made(Removal $removal): array
    {
        return array_map(static fn (Rule $new): string => "{$new->source} → {$new->goal->placeId} {$new->status->value}", $removal->made);
    }

    /**
     * @param list<Rule> $rules
     *
     * @return list<string>
     */
    private function rules(array $rules): array
    {
        return array_map(
            static fn (Rule $rule): string => "{$rule->source} → ".($rule->goal->placeId ?? $rule->goal->address)." {$rule->status->value}",
            $rules,
        );
    }
}

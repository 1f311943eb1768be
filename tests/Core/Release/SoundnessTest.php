<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Release;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleTable;
use Lantern\Core\Release\Changed;
use Lantern\Core\Release\Fault;
use Lantern\Core\Release\FaultKind;
use Lantern\Core\Release\LostLead;
use Lantern\Core\Release\OpenText;
use Lantern\Core\Release\Soundness;
use Lantern\Core\Words\Words;
use Lantern\Tests\Core\Places;
use PHPUnit\Framework\TestCase;

final class SoundnessTest extends TestCase
{
    public function testACircleOfRedirectsIsShownStepByStep(): void
    {
        $rules = [$this->rule('/a', '/b'), $this->rule('/b', '/c'), $this->rule('/c', '/a'), $this->rule('/d', '/papers')];
        $faults = $this->faults(new Changed(rules: [$rules[0], $rules[3]]), rules: $rules);
        self::assertSame(
            [FaultKind::Circle],
            array_map(static fn (Fault $one): FaultKind => $one->kind, $faults),
            'only what changed is judged',
        );
        self::assertStringContainsString('/a → /b → /c → /a', $faults[0]->words());
    }

    public function testACircleByWayOfAClosedPlace(): void
    {
        $closed = new Place(
            'x',
            PlaceKind::Page,
            'X',
            Address::parse('/x'),
            null,
            Light::Closed,
            closedAnswer: ClosedAnswer::Elsewhere,
            closedTo: 'y',
        );
        $other = new Place(
            'y',
            PlaceKind::Page,
            'Y',
            Address::parse('/y'),
            null,
            Light::Closed,
            closedAnswer: ClosedAnswer::Elsewhere,
            closedTo: 'x',
        );
        self::assertSame(FaultKind::Circle, $this->faults(new Changed(places: [$closed]), [$closed, $other])[0]->kind);
        $open = new Place('y', PlaceKind::Page, 'Y', Address::parse('/y'));
        self::assertSame([], $this->faults(new Changed(places: [$closed]), [$closed, $open]));
    }

    public function testAPlaceBelowItself(): void
    {
        $upper = new Place('u', PlaceKind::Category, 'Upper', Address::parse('/u'), 'l');
        $lower = new Place('l', PlaceKind::Category, 'Lower', Address::parse('/u/l'), 'u');
        $faults = $this->faults(new Changed(places: [$upper]), [$upper, $lower]);
        self::assertSame(FaultKind::BelowItself, $faults[0]->kind);
        self::assertSame('“Upper” would stand below itself, by way of “Lower”. Put it somewhere else first.', $faults[0]->words());
        $own = new Place('o', PlaceKind::Category, 'Own', Address::parse('/o'), 'o');
        self::assertSame(FaultKind::BelowItself, $this->faults(new Changed(places: [$own]), [$own])[0]->kind);
    }

    public function testTwoPlacesAtOneAddressEvenWhereTheTitleIsANumber(): void
    {
        $one = new Place('1', PlaceKind::Page, '7', Address::parse('/7'));
        $two = new Place('2', PlaceKind::Page, '007', Address::parse('/7'));
        self::assertSame(
            '/7 is the address of “7” and of “007”. One address leads to one place: change one of them first.',
            $this->faults(new Changed(sameSpot: [$one, $two]))[0]->words(),
        );
    }

    public function testWhatLeadsToNothing(): void
    {
        $faults = $this->faults(new Changed(
            lost: [new LostLead('Gifts', 'Header')],
            closedTo: [new Place('x', PlaceKind::Page, 'X', Address::parse('/x'))],
        ));
        self::assertSame(
            [FaultKind::EntryWithoutPlace, FaultKind::ClosedToNothing],
            array_map(static fn (Fault $one): FaultKind => $one->kind, $faults),
        );
    }

    public function testAnOpenTextWithAnEmptyBlank(): void
    {
        $text = new OpenText('Returns', new Words('<p>Write to <span data-blank="mail"></span>.</p>'));
        $faults = (new Soundness(new Places(), new RuleTable([])))->faults(new Changed(texts: [$text]), [], new \DateTimeImmutable());
        self::assertSame([FaultKind::EmptyBlank], array_map(static fn (Fault $one): FaultKind => $one->kind, $faults));
        self::assertSame(
            [],
            (new Soundness(new Places(), new RuleTable([])))->faults(
                new Changed(texts: [$text]),
                ['mail' => 'a@b.example'],
                new \DateTimeImmutable(),
            ),
        );
    }

    /**
     * @param list<Place> $places
     * @param list<Rule>  $rules
     *
     * @return list<Fault>
     */
    private function faults(Changed $changed, array $places = [], array $rules = []): array
    {
        $places[] = new Place('papers', PlaceKind::Category, 'Papers', Address::parse('/papers'));

        return (new Soundness(new Places(...$places), new RuleTable($rules)))->faults(
            $changed,
            [],
            new \DateTimeImmutable('2026-11-26T12:00:00Z'),
        );
    }

    private function rule(string $from, string $to): Rule
    {
        return new Rule($from, Address::parse($from), false, Goal::address(Address::parse($to)), RedirectStatus::ForGood);
    }
}

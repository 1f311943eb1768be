<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Impact\AddressChange;
use Lantern\Core\Impact\AddressPlanner;
use Lantern\Core\Impact\ChangedAddress;
use Lantern\Core\Impact\Readdressing;
use Lantern\Core\Impact\TouchWords;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Refused;
use Lantern\Tests\Core\Places;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class AddressPlannerTest extends TestCase
{
    public function testMakesARedirectFromTheAddressThatVisitorsKnow(): void
    {
        $change = $this->plan('/care', '/care-of-paper');
        self::assertSame(['/care → /care-of-paper'], $this->moved($change));
        self::assertSame(['/care'], $this->made($change));
        self::assertSame('id /care', $change->made[0]->goal->placeId, 'a reference, so a chain cannot grow');
    }

    public function testAnAddressThatWasNeverLiveNeedsNoRedirect(): void
    {
        $change = $this->plan('/care', '/care-of-paper', live: []);
        self::assertSame([], $change->made);
        self::assertStringContainsString('No visitor knows /care yet', implode(' ', TouchWords::all($change->touches([]))));
    }

    public function testTakingAnAddressBackDropsItsRedirect(): void
    {
        $rule = $this->rule('/care', Goal::place('id /careful'));
        $change = $this->plan('/careful', '/care', rules: [$rule], live: ['id /careful' => '/care']);
        self::assertSame([$rule], $change->dropped);
        self::assertSame([], $change->made);
    }

    public function testWhatStandsBelowComesAlongWithOnePrefixRedirect(): void
    {
        $change = $this->plan('/papers', '/sheets', carry: true);
        self::assertSame(
            ['/papers → /sheets', '/papers/marbled → /sheets/marbled', '/papers/marbled/combed → /sheets/marbled/combed'],
            $this->moved($change),
        );
        self::assertSame(['/papers', '/papers/*'], $this->made($change));
        self::assertSame('/sheets', $change->made[1]->goal->address?->path);
    }

    public function testIntoItselfEachPlaceGetsARedirectOfItsOwn(): void
    {
        self::assertSame(
            ['/papers', '/papers/marbled', '/papers/marbled/combed'],
            $this->made($this->plan('/papers', '/papers/all', carry: true)),
        );
    }

    public function testAnOlderPrefixRedirectLeadsToTheNewAddressAtOnce(): void
    {
        $older = $this->rule('/old', Goal::address(Address::parse('/papers')), true);
        $change = $this->plan('/papers', '/sheets', carry: true, rules: [$older]);
        self::assertSame('/sheets', $change->retargeted[0]->goal->address?->path);
        self::assertStringContainsString(
            'The redirect from /old/* leads to the new address at once.',
            implode(' ', TouchWords::all($change->touches([]))),
        );
    }

    public function testBackAgainUndoesBoth(): void
    {
        $exact = $this->rule('/old-papers', Goal::place('id /papers'));
        $prefix = $this->rule('/old-papers', Goal::address(Address::parse('/papers')), true);
        $live = [
            'id /papers' => '/old-papers',
            'id /papers/marbled' => '/old-papers/marbled',
            'id /papers/marbled/combed' => '/old-papers/marbled/combed',
        ];
        $change = $this->plan('/papers', '/old-papers', carry: true, rules: [$exact, $prefix], live: $live);
        self::assertSame([$exact, $prefix], $change->dropped);
        self::assertSame([], $change->made);
        self::assertSame([], $change->retargeted);
    }

    public function testTellsOfARedirectThatNobodyReachesAnyMore(): void
    {
        $other = $this->rule('/careful', Goal::place('id /tools'));
        $change = $this->plan('/care', '/careful', rules: [$other]);
        self::assertSame([$other], $change->shadowed);
    }

    public function testSaysWhatItTouches(): void
    {
        $said = implode(
            ' ',
            TouchWords::all($this->plan('/papers', '/sheets', carry: true)->touches(
                ['Header', 'Footer'],
                ['Care of paper'],
                214,
                ['the almanac (advertisement)'],
            )),
        );
        self::assertSame(
            '2 places below come along. Header and Footer follow by themselves. 1 typed link, in “Care of paper”, will be rewritten to '
                .'refer to the place. /papers led 214 visits here in 30 days and stands in the almanac (advertisement): /papers and '
                .'/papers/* will lead on for good (301).',
            $said,
        );
    }

    #[DataProvider('refusals')]
    public function testRefuses(string $from, string $to, string $says): void
    {
        try {
            $this->plan($from, $to);
            self::fail('It was not refused.');
        } catch (Refused $refused) {
            self::assertSame('address', $refused->field);
            self::assertStringContainsString($says, $refused->getMessage());
        }
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function refusals(): iterable
    {
        yield 'a taken address, naming who has it' => ['/care', '/tools', 'taken by the page “Title of /tools”'];
        yield 'the sitemap' => ['/care', '/sitemap.xml', 'reserved'];
        yield 'the search' => ['/care', '/search', 'reserved'];
        yield 'the front page' => ['/care', '/', 'reserved'];
        yield 'the program\'s own' => ['/care', '/-/assets/x', 'reserved'];
        yield 'a fixed place' => ['/contact', '/write', 'always at /contact'];
        yield 'a space' => ['/care', '/care%20of%20paper', 'Write /care-of-paper'];
        yield 'an underscore' => ['/care', '/care_of_paper', 'Write /care-of-paper'];
    }

    public function testWhatIsTakenByAPlaceThatMovesAwayIsFree(): void
    {
        self::assertContains(
            '/papers/marbled → /papers/marbled/marbled',
            $this->moved($this->plan('/papers', '/papers/marbled', carry: true)),
        );
    }

    public function testTwoThatChangeAddressesWithOneAnotherNeedNoRedirect(): void
    {
        $places = $this->shop(['/care', '/tools']);
        $change = $this->planner($places)->plan([
            new Readdressing($places->all()[0], Address::parse('/tools')),
            new Readdressing($places->all()[1], Address::parse('/care')),
        ]);
        self::assertSame(['/care → /tools', '/tools → /care'], $this->moved($change));
        self::assertSame([], $change->made, 'a place opens at either');
    }

    public function testTwoThatWantOneAddressAreBothTold(): void
    {
        $places = $this->shop(['/care', '/tools', '/papers']);
        [$care, $tools, $papers] = $places->all();
        $problems = $this->planner($places)->judge([
            new Readdressing($care, Address::parse('/x')),
            new Readdressing($tools, Address::parse('/x')),
            new Readdressing($papers, Address::parse('/y')),
        ])->problems;
        self::assertSame(['id /care', 'id /tools'], array_keys($problems));
        self::assertStringContainsString('wanted for “Title of /tools”, too', $problems['id /care']);
    }

    public function testAMoveOfAllBelowNeverStandsInTheWayOfAnOlderOne(): void
    {
        $older = $this->rule('/shop', Goal::address(Address::parse('/elsewhere')), true);
        $places = $this->shop(['/shop/papers', '/shop/papers/marbled']);
        $change = $this->planner($places, [$older])->plan([new Readdressing($places->all()[0], Address::parse('/papers'), $places->all())]);
        self::assertSame(
            ['/shop/papers', '/shop/papers/marbled'],
            $this->made($change),
            'each its own: what /shop/* leads on below /shop/papers has nothing else',
        );
    }

    public function testALongerWayIsLeftAsItIsWhereSomethingWentOffInBetween(): void
    {
        $older = $this->rule('/old', Goal::address(Address::parse('/papers')), true);
        $wentOff = $this->rule('/papers/silk', Goal::place('id /tools'));
        $places = $this->shop(['/papers', '/papers/marbled', '/tools']);
        $change = $this->planner(
            $places,
            [$older, $wentOff],
        )->plan([new Readdressing($places->all()[0], Address::parse('/sheets'), $places->all())]);
        self::assertSame([], $change->retargeted, '/old/silk would lead to /sheets/silk, where nothing is');
    }

    public function testComingBackKeepsWhatWentFurther(): void
    {
        $away = $this->rule('/papers', Goal::address(Address::parse('/sheets')), true);
        $further = $this->rule('/sheets/silk', Goal::place('id /tools'));
        $places = $this->shop(['/sheets', '/sheets/marbled', '/tools']);
        $change = $this->planner(
            $places,
            [$away, $further],
        )->plan([new Readdressing($places->all()[0], Address::parse('/papers'), $places->all())]);
        self::assertSame([$away], $change->dropped);
        self::assertContains('/papers/silk', $this->made($change), 'it led to the tools by way of /sheets/silk');
    }

    public function testAnAddressThatIsLiveAsARedirectIsKnownToo(): void
    {
        $places = $this->shop(['/care']);
        $planner = new AddressPlanner($places, ['id /care' => Address::parse('/published')], ['/care' => true], []);
        self::assertSame(
            ['/published', '/care'],
            $this->made($planner->plan([new Readdressing($places->all()[0], Address::parse('/new'))])),
        );
    }

    public function testARedirectThatEndsIsNoneForGood(): void
    {
        $ends = new Rule(
            'x',
            Address::parse('/published'),
            false,
            Goal::place('id /care'),
            RedirectStatus::ForGood,
            new \DateTimeImmutable('2031-01-01'),
        );
        $places = $this->shop(['/care']);
        $planner = new AddressPlanner($places, ['id /care' => Address::parse('/published')], [], [$ends]);
        self::assertSame(['/published'], $this->made($planner->plan([new Readdressing($places->all()[0], Address::parse('/new'))])));
    }

    public function testAClosedPlaceTakesNoRedirectFromThoseWhoUseIt(): void
    {
        $used = $this->rule('/care', Goal::place('id /tools'));
        $closed = new Places(
            new Place('id /care', PlaceKind::Page, 'Care', Address::parse('/care'), null, \Lantern\Core\Place\Light::Closed),
            $this->shop(['/tools'])->all()[0],
        );
        $change = $this->planner($closed, [$used])->plan([new Readdressing($closed->all()[0], Address::parse('/new'))]);
        self::assertSame([], $change->made);
    }

    public function testManyAreToldInAFewSentences(): void
    {
        $places = $this->shop(array_map(static fn (int $n): string => "/untidy-$n", range(1, 30)));
        $change = $this->planner($places)->plan(array_map(
            static fn (Place $place): Readdressing => new Readdressing($place, Address::parse("/tidy{$place->address}")),
            $places->all(),
        ));
        self::assertSame(
            [
                'Header, Footer, Drawer and 2 more follow by themselves.',
                '2 typed links, in “Care of paper”, will be rewritten to refer to the place.',
                'The old addresses led 9 visits here in 30 days and stand in the almanac (advertisement): /untidy-1, /untidy-2, /untidy-3 '
                    .'and 27 more will lead on for good (301).',
            ],
            TouchWords::all($change->touches(
                ['Header', 'Footer', 'Drawer', 'Fair', 'Spring'],
                ['Care of paper', 'Care of paper'],
                9,
                ['the almanac (advertisement)'],
            )),
        );
    }

    /** @param list<string> $addresses */
    private function shop(array $addresses): Places
    {
        return new Places(...array_map(
            static fn (string $address): Place => new Place(
                "id $address",
                PlaceKind::Category,
                "Title of $address",
                Address::parse($address),
            ),
            $addresses,
        ));
    }

    /** @param list<Rule> $rules */
    private function planner(Places $live, array $rules = []): AddressPlanner
    {
        return new AddressPlanner(
            $live,
            array_combine(
                array_map(static fn (Place $one): string => $one->id, $live->all()),
                array_map(static fn (Place $one): Address => $one->address, $live->all()),
            ),
            [],
            $rules,
        );
    }

    /**
     * @param list<Rule>                 $rules
     * @param array<string, string>|null $live  addresses by id; null: all are live where they stand
     */
    private function plan(string $from, string $to, bool $carry = false, array $rules = [], ?array $live = null): AddressChange
    {
        $places = new Places(...array_map(
            static fn (string $address): Place => new Place(
                "id $address",
                '/contact' === $address ? PlaceKind::Contact : PlaceKind::Page,
                "Title of $address",
                Address::parse($address),
            ),
            ['/careful' === $from ? '/careful' : '/care', '/tools', '/contact', '/papers', '/papers/marbled', '/papers/marbled/combed'],
        ));
        $place = $places->at(Address::parse($from));
        self::assertNotNull($place);
        $known = null === $live
            ? array_combine(
                array_map(static fn (Place $one): string => $one->id, $places->all()),
                array_map(static fn (Place $one): Address => $one->address, $places->all()),
            )
            : array_map(Address::parse(...), $live);

        return (
            new AddressPlanner($places, $known, [], $rules)
        )->plan([new Readdressing($place, Address::parse($to), $carry ? $places->all() : [])]);
    }

    private function rule(string $from, Goal $goal, bool $prefix = false): Rule
    {
        return new Rule($from.($prefix ? '*' : ''), Address::parse($from), $prefix, $goal, RedirectStatus::ForGood);
    }

    /** @return list<string> */
    private function moved(AddressChange $change): array
    {
        return array_map(static fn (ChangedAddress $one): string => "$one->from → $one->to", $change->moved);
    }

    /** @return list<string> */
    private function made(AddressChange $change): array
    {
        return array_map(static fn (Rule $new): string => $new->sourceWords(), $change->made);
    }
}

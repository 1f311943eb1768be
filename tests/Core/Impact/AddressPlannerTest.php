<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Impact\AddressChange;
use Lantern\Core\Impact\AddressPlanner;
use Lantern\Core\Impact\NewRedirect;
use Lantern\Core\Impact\Readdressed;
use Lantern\Core\Impact\Readdressing;
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
        self::assertStringContainsString('No visitor knows /care yet', implode(' ', $change->sentences([])));
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
        self::assertSame(['/papers → /sheets', '/papers/marbled → /sheets/marbled', '/papers/marbled/combed → /sheets/marbled/combed'], $this->moved($change));
        self::assertSame(['/papers', '/papers/*'], $this->made($change));
        self::assertSame('/sheets', $change->made[1]->goal->address?->path);
    }

    public function testIntoItselfEachPlaceGetsARedirectOfItsOwn(): void
    {
        self::assertSame(['/papers', '/papers/marbled', '/papers/marbled/combed'], $this->made($this->plan('/papers', '/papers/all', carry: true)));
    }

    public function testAnOlderPrefixRedirectLeadsToTheNewAddressAtOnce(): void
    {
        $older = $this->rule('/old', Goal::address(Address::parse('/papers')), true);
        $change = $this->plan('/papers', '/sheets', carry: true, rules: [$older]);
        self::assertSame('/sheets', $change->retargeted[0]->goal->address?->path);
        self::assertStringContainsString('The redirect from /old/* leads to the new address at once.', implode(' ', $change->sentences([])));
    }

    public function testBackAgainUndoesBoth(): void
    {
        $exact = $this->rule('/old-papers', Goal::place('id /papers'));
        $prefix = $this->rule('/old-papers', Goal::address(Address::parse('/papers')), true);
        $live = ['id /papers' => '/old-papers', 'id /papers/marbled' => '/old-papers/marbled', 'id /papers/marbled/combed' => '/old-papers/marbled/combed'];
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
        $said = implode(' ', $this->plan('/papers', '/sheets', carry: true)->sentences(['Header', 'Footer'], ['Care of paper'], 214, ['the almanac (advertisement)']));
        self::assertSame('2 places below come along. Header and Footer follow by themselves. 1 typed link, in “Care of paper”, will be rewritten to refer to the place. /papers led 214 visits here in 30 days and stands in the almanac (advertisement): /papers and /papers/* will lead on for good (301).', $said);
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
        self::assertContains('/papers/marbled → /papers/marbled/marbled', $this->moved($this->plan('/papers', '/papers/marbled', carry: true)));
    }

    /**
     * @param list<Rule>                 $rules
     * @param array<string, string>|null $live  addresses by id; null: all are live where they stand
     */
    private function plan(string $from, string $to, bool $carry = false, array $rules = [], ?array $live = null): AddressChange
    {
        $places = new Places(...array_map(static fn (string $address): Place => new Place("id $address", '/contact' === $address ? PlaceKind::Contact : PlaceKind::Page, "Title of $address", Address::parse($address)), ['/careful' === $from ? '/careful' : '/care', '/tools', '/contact', '/papers', '/papers/marbled', '/papers/marbled/combed']));
        $place = $places->at(Address::parse($from));
        self::assertNotNull($place);
        $known = null === $live
            ? array_combine(array_map(static fn (Place $one): string => $one->id, $places->all()), array_map(static fn (Place $one): Address => $one->address, $places->all()))
            : array_map(Address::parse(...), $live);

        return (new AddressPlanner($places, $known, [], $rules))->plan([new Readdressing($place, Address::parse($to), $carry ? $places->all() : [])]);
    }

    private function rule(string $from, Goal $goal, bool $prefix = false): Rule
    {
        return new Rule($from.($prefix ? '*' : ''), Address::parse($from), $prefix, $goal, RedirectStatus::ForGood);
    }

    /** @return list<string> */
    private function moved(AddressChange $change): array
    {
        return array_map(static fn (Readdressed $one): string => "$one->from → $one->to", $change->moved);
    }

    /** @return list<string> */
    private function made(AddressChange $change): array
    {
        return array_map(static fn (NewRedirect $new): string => $new->sourceWords(), $change->made);
    }
}

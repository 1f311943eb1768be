<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Answer;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Address\Address;
use Lantern\Core\Answer\Answer;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Answer\Step;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleTable;
use Lantern\Core\Visitor;
use Lantern\Tests\Core\Places;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class AnswererTest extends TestCase
{
    use TestTrait;

    #[DataProvider('requests')]
    public function testAnswers(string $asked, int $status, ?string $location, string $why, bool $signedIn = false): void
    {
        $answer = $this->ask($asked, $signedIn);
        self::assertSame([$status, $location], [$answer->status, $answer->location]);
        self::assertStringContainsString(
            $why,
            implode(' | ', array_map(static fn (Step $step): string => "$step->from {$step->words()}", $answer->trail)),
        );
    }

    /** @return iterable<string, array{0: string, 1: int, 2: string|null, 3: string, 4?: bool}> */
    public static function requests(): iterable
    {
        yield 'a place' => ['/papers', 200, null, 'opens'];
        yield 'a quiet place opens all the same' => ['/quiet', 200, null, 'opens'];
        yield 'a place in another form' => ['/Papers//', 301, '/papers', 'normal form'];
        yield 'letters beyond ASCII, encoded or not' => ['/caf%C3%A9', 200, null, 'opens'];
        yield 'and bare' => ['/café', 200, null, 'opens'];
        yield 'another form, with its query' => ['/PAPERS?sort=name&x=%20', 301, '/papers?sort=name&x=%20', 'normal form'];
        yield 'another form of nothing is no redirect' => ['/NOPE/', 404, null, 'nothing is here'];
        yield 'what has no normal form' => ['/%zz', 400, null, '%'];
        yield 'a redirect to a place' => ['/old-papers', 301, '/papers', 'redirect /old-papers'];
        yield 'a redirect for now' => ['/for-now', 302, '/papers', 'for now'];
        yield 'one hop from another form to the end of the trail' => ['/Old-Papers/', 301, '/papers', 'redirect'];
        yield 'a chain is one hop' => ['/chain-1', 301, '/papers', 'chain-2'];
        yield 'a chain with a hop for now is for now' => ['/chain-0', 302, '/papers', 'chain-1'];
        yield 'the visitor\'s parameters survive, the target\'s own win' => [
            '/with-query?sort=price&from=letter',
            301,
            '/papers?sort=name&from=letter',
            'redirect',
        ];
        yield 'to the outside' => ['/outside?x=1&b=2', 301, 'https://example.org/a?b=1&x=1', 'redirect'];
        yield 'gone' => ['/gone', 410, null, 'gone'];
        yield 'a chain that ends gone' => ['/to-gone', 410, null, 'gone'];
        yield 'a prefix' => ['/blog/marbling/2', 404, null, 'redirect /blog/*'];
        yield 'a prefix to a place' => ['/blog/first', 301, '/journal/first', 'redirect /blog/*'];
        yield 'the longest prefix' => ['/blog/paper/anything', 410, null, 'gone'];
        yield 'a prefix is not for its own source' => ['/blog', 404, null, 'nothing'];
        yield 'an exact rule wins over a prefix' => ['/blog/exact', 301, '/papers', 'redirect /blog/exact'];
        yield 'a place wins over a redirect with its address' => ['/shadowed', 200, null, 'opens'];
        yield 'a closed place does not win' => ['/closed-with-rule', 301, '/papers', 'redirect'];
        yield 'a closed place' => ['/closed', 404, null, 'closed, answers not found'];
        yield 'a closed place that is gone' => ['/closed-gone', 410, null, 'answers gone'];
        yield 'a closed place that leads elsewhere' => ['/closed-elsewhere', 302, '/papers', 'leads elsewhere'];
        yield 'and keeps the query' => ['/closed-elsewhere?a=1', 302, '/papers?a=1', 'leads elsewhere'];
        yield 'a redirect to a closed place is told at once' => ['/to-closed', 404, null, 'closed'];
        yield 'before it opens' => ['/opens-tomorrow', 404, null, 'closed'];
        yield 'a redirect to a place that is no more' => ['/to-nowhere', 404, null, 'no longer there'];
        yield 'for customers, asked by a guest' => ['/for-customers', 403, null, 'another audience'];
        yield 'for customers, asked by one' => ['/for-customers', 200, null, 'opens', true];
        yield 'for guests, asked by a customer' => ['/for-guests', 403, null, 'another audience', true];
        yield 'a redirect that has ended' => ['/ended', 404, null, 'nothing'];
        yield 'redirects that go round' => ['/round-1', 404, null, 'circle'];
        yield 'nothing' => ['/nothing', 404, null, 'nothing is here'];
        yield 'a redirect that keeps the method' => ['/form', 308, '/papers', '308'];
    }

    public function testOnlyWhatNobodyChoseIsAMissedVisit(): void
    {
        self::assertTrue($this->ask('/nothing')->isMissed());
        self::assertFalse($this->ask('/gone')->isMissed());
        self::assertFalse($this->ask('/%zz')->isMissed());
        self::assertFalse($this->ask('/for-customers')->isMissed());
    }

    /** The promise: going from open to quiet changes no answer to any request, for any visitor, at any moment. */
    public function testMakingAPlaceQuietChangesNoAnswer(): void
    {
        $addresses = array_merge(
            array_map(static fn (Place $place): string => $place->address->path, $this->places()->all()),
            array_column(iterator_to_array(self::requests(), false), 0),
        );
        $this->limitTo(300)->forAll(Generators::choose(0, 2 ** 30), Generators::bool(), Generators::choose(-400, 400))
            ->then(function (int $chosen, bool $signedIn, int $hours) use ($addresses): void {
                $visitor = new Visitor($signedIn, $this->now()->modify("$hours hours"));
                $before = new Answerer($this->places(Light::Open, $chosen), $this->rules());
                $after = new Answerer($this->places(Light::Quiet, $chosen), $this->rules());
                foreach ($addresses as $address) {
                    $was = $before->answer($address, $visitor);
                    $is = $after->answer($address, $visitor);
                    self::assertEquals(
                        [$was->status, $was->location, $was->trail, $was->place?->id],
                        [$is->status, $is->location, $is->trail, $is->place?->id],
                        $address,
                    );
                }
            });
    }

    /** @return iterable<string, array{string, int}> */
    public static function lifetimes(): iterable
    {
        yield 'for good' => ['/old-papers', 3600];
        yield 'for good, keeping the method' => ['/form', 3600];
        yield 'for now' => ['/for-now', 0];
        yield 'a chain with a hop for now' => ['/chain-0', 0];
        yield 'gone' => ['/gone', 300];
        yield 'not found' => ['/nope', 0];
        yield 'a page is asked for again' => ['/papers', 0];
        yield 'another form of a page that closes in two days' => ['/CLOSES-SOON', 3600];
    }

    #[DataProvider('lifetimes')]
    public function testTellsHowLongItMayBeKept(string $asked, int $seconds): void
    {
        self::assertSame($seconds, $this->ask($asked)->keepFor($this->now()));
    }

    public function testNoAnswerIsKeptPastADateThatCouldChangeIt(): void
    {
        $closes = $this->now()->modify('+2 days');
        $answer = $this->ask('/CLOSES-SOON');
        self::assertEquals($closes, $answer->changesAt);
        self::assertSame(60, $answer->keepFor($closes->modify('-1 minute')));
        self::assertSame(0, $answer->keepFor($closes->modify('+1 minute')));
        self::assertEquals($this->now()->modify('+1 day'), $this->ask('/opens-tomorrow')->changesAt, 'a page that opens tomorrow');
        self::assertNull($this->ask('/old-papers')->changesAt);
    }

    private function ask(string $target, bool $signedIn = false): Answer
    {
        return (new Answerer($this->places(), $this->rules()))->answer($target, new Visitor($signedIn, $this->now()));
    }

    private function now(): \DateTimeImmutable
    {
        return new \DateTimeImmutable('2026-03-01T12:00:00Z');
    }

    /** @param int $chosen a bit for each place that is not closed: whether it gets this light */
    private function places(Light $light = Light::Open, int $chosen = 0): Places
    {
        $number = 0;
        $place = static function (
            string $address,
            Light $own = Light::Open,
            Opening $opening = new Opening(),
            Audience $audience = Audience::Everyone,
            ClosedAnswer $answer = ClosedAnswer::NotFound,
            ?string $to = null,
        ) use (&$number, $light, $chosen): Place {
            $given = Light::Closed !== $own && 0 !== ($chosen >> $number++ & 1) ? $light : $own;

            return new Place(
                $address,
                PlaceKind::Page,
                $address,
                Address::parse($address),
                light: $given,
                opening: $opening,
                audience: $audience,
                closedAnswer: $answer,
                closedTo: $to,
            );
        };

        return new Places(
            $place('/'),
            $place('/papers'),
            $place('/café'),
            $place('/journal/first'),
            $place('/quiet', 0 === $chosen ? Light::Quiet : Light::Open),
            $place('/shadowed'),
            $place('/closed', Light::Closed),
            $place('/closed-gone', Light::Closed, answer: ClosedAnswer::Gone),
            $place('/closed-elsewhere', Light::Closed, answer: ClosedAnswer::Elsewhere, to: '/papers'),
            $place('/closed-with-rule', Light::Closed),
            $place('/opens-tomorrow', opening: new Opening($this->now()->modify('+1 day'))),
            $place('/closes-soon', opening: new Opening(null, $this->now()->modify('+2 days')), answer: ClosedAnswer::Gone),
            $place('/for-customers', audience: Audience::Customers),
            $place('/for-guests', audience: Audience::Guests),
        );
    }

    private function rules(): RuleTable
    {
        $rule = static fn (
            string $from,
            Goal $goal,
            RedirectStatus $status = RedirectStatus::ForGood,
            bool $prefix = false,
            ?\DateTimeImmutable $until = null,
        ): Rule => new Rule($from, Address::parse($from), $prefix, $goal, $status, $until);
        $to = static fn (string $address, string $query = ''): Goal => Goal::address(Address::parse($address), $query);

        return new RuleTable([
            $rule('/old-papers', Goal::place('/papers')),
            $rule('/for-now', Goal::place('/papers'), RedirectStatus::ForNow),
            $rule('/chain-0', $to('/chain-1'), RedirectStatus::ForNow),
            $rule('/chain-1', $to('/chain-2')),
            $rule('/chain-2', Goal::place('/papers')),
            $rule('/with-query', $to('/papers', 'sort=name')),
            $rule('/outside', Goal::outside('https://example.org/a?b=1')),
            $rule('/gone', Goal::nowhere(), RedirectStatus::Gone),
            $rule('/to-gone', $to('/gone')),
            $rule('/blog', $to('/journal'), prefix: true),
            $rule('/blog/paper', Goal::nowhere(), RedirectStatus::Gone, prefix: true),
            $rule('/blog/exact', Goal::place('/papers')),
            $rule('/shadowed', Goal::place('/papers')),
            $rule('/closed-with-rule', Goal::place('/papers')),
            $rule('/to-closed', Goal::place('/closed')),
            $rule('/to-nowhere', Goal::place('/not-there')),
            $rule('/ended', Goal::place('/papers'), until: $this->now()),
            $rule('/round-1', $to('/round-2')),
            $rule('/round-2', $to('/round-1')),
            $rule('/form', Goal::place('/papers'), RedirectStatus::ForGoodKeepingMethod),
        ]);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Redirect;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Address\Address;
use Lantern\Core\Redirect\Flattening;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\LoopFound;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleTable;
use Lantern\Core\Refused;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class FlatteningTest extends TestCase
{
    use TestTrait;

    public function testAChainBecomesOneHop(): void
    {
        $flat = Flattening::of(
            new RuleTable([$this->rule('/a', '/b'), $this->rule('/b', '/c', RedirectStatus::ForNow), $this->rule('/c', '/d')]),
            $this->now(),
        );
        self::assertSame(['/a' => '/d 302', '/b' => '/d 302', '/c' => '/d 301'], $this->ends($flat));
    }

    public function testAChainThatEndsGoneIsGone(): void
    {
        $gone = new Rule('/b', Address::parse('/b'), false, Goal::nowhere(), RedirectStatus::Gone);
        $flat = Flattening::of(new RuleTable([$this->rule('/a', '/b'), $gone]), $this->now());
        self::assertSame(RedirectStatus::Gone, $flat->exact(Address::parse('/a'), $this->now())?->status);
    }

    public function testAChainEndsWhereAPlaceOpens(): void
    {
        $table = new RuleTable([$this->rule('/a', '/b'), $this->rule('/b', '/c')]);
        $flat = Flattening::of($table, $this->now(), static fn (Address $address): bool => '/b' === $address->path);
        self::assertSame(['/a' => '/b 301', '/b' => '/c 301'], $this->ends($flat));
    }

    public function testAChainGoesThroughAPrefixRule(): void
    {
        $table = new RuleTable([$this->rule('/a', '/old/x'), $this->rule('/old', '/new', prefix: true), $this->rule('/new/x', '/newest')]);
        $flat = Flattening::of($table, $this->now());
        self::assertSame('/newest 301', $this->ends($flat)['/a']);
        self::assertSame('/new', $flat->longestPrefix(Address::parse('/old/y'), $this->now())?->goal->address?->path);
    }

    public function testALoopIsRefusedAndShown(): void
    {
        try {
            Flattening::of(new RuleTable([$this->rule('/x', '/a'), $this->rule('/a', '/b'), $this->rule('/b', '/a')]), $this->now());
            self::fail('The loop was not found.');
        } catch (LoopFound $loop) {
            self::assertSame(['/a', '/b', '/a'], $loop->steps);
            self::assertStringContainsString('/a → /b → /a', $loop->getMessage());
        }
    }

    public function testARuleIntoItselfIsRefused(): void
    {
        foreach ([static fn () => ['/a', '/a', false], static fn () => ['/a', '/a/b', true], static fn () => ['/a', '/a', true]] as $case) {
            try {
                [$from, $to, $prefix] = $case();
                $this->rule($from, $to, prefix: $prefix);
                self::fail("$from → $to was not refused");
            } catch (LoopFound $loop) {
                self::assertSame($loop->steps[0], $loop->steps[\count($loop->steps) - 1]);
            }
        }
    }

    public function testTwoRulesWithOneSourceAreRefusedNamingTheFirst(): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessage('/a has a redirect already, for good (301) to /b');
        new RuleTable([$this->rule('/a', '/b'), $this->rule('/a', '/c')]);
    }

    public function testAReservedAddressCannotBeRedirected(): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessage('/sitemap.xml cannot be redirected');
        $this->rule('/sitemap.xml', '/a');
    }

    public function testTheTwoRulesOfAStatusAndItsGoal(): void
    {
        foreach ([[Goal::nowhere(), RedirectStatus::ForGood], [Goal::place('p'), RedirectStatus::Gone]] as [$goal, $status]) {
            try {
                new Rule('r', Address::parse('/a'), false, $goal, $status);
                self::fail('It was not refused.');
            } catch (Refused $refused) {
                self::assertSame('target', $refused->field);
            }
        }
    }

    public function testAQueryOfTheTargetIsKeptAlongTheChain(): void
    {
        $table = new RuleTable([
            new Rule('1', Address::parse('/a'), false, Goal::address(Address::parse('/b'), 'from=a&sort=old'), RedirectStatus::ForGood),
            new Rule('2', Address::parse('/b'), false, Goal::address(Address::parse('/c'), 'sort=new'), RedirectStatus::ForGood),
        ]);
        self::assertSame('sort=new&from=a', Flattening::of($table, $this->now())->exact(Address::parse('/a'), $this->now())?->goal->query);
    }

    public function testARuleThatEndsSomeDayIsNotBuiltInto(): void
    {
        $ends = new Rule(
            '2',
            Address::parse('/b'),
            false,
            Goal::address(Address::parse('/c')),
            RedirectStatus::ForNow,
            $this->now()->modify('+1 day'),
        );
        self::assertSame('/b 301', $this->ends(Flattening::of(new RuleTable([$this->rule('/a', '/b'), $ends]), $this->now()))['/a']);
    }

    public function testFlatteningNeverChangesWhereATrailEnds(): void
    {
        $this->limitTo(200)->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $random = new Randomizer(new Mt19937($seed));
            $table = new RuleTable();
            $count = $random->getInt(1, 40);
            for ($n = 0; $n < $count; ++$n) {
                // Rules lead to higher numbers only, so there is no loop.
                $table->add($this->rule(
                    "/p$n",
                    '/p'.$random->getInt($n + 1, $count + 3),
                    0 === $random->getInt(0, 3) ? RedirectStatus::ForNow : RedirectStatus::ForGood,
                ));
            }
            $opens = static fn (Address $address): bool => 0 === crc32($seed.$address->path) % 5;
            $flat = Flattening::of($table, $this->now(), $opens);
            for ($n = 0; $n < $count; ++$n) {
                $from = Address::parse("/p$n");
                self::assertSame($this->end($table, $from, $opens), $this->end($flat, $from, $opens));
                $hop = $flat->exact($from, $this->now())?->goal->address;
                self::assertNotNull($hop);
                self::assertTrue($opens($hop) || null === $flat->exact($hop, $this->now()), 'one hop is enough');
            }
            self::assertEquals($flat->rules(), Flattening::of($flat, $this->now(), $opens)->rules(), 'flattening twice changes nothing');
        });
    }

    /**
     * Where a visitor ends, and with which status, rule by rule.
     *
     * @param \Closure(Address): bool $opens
     */
    private function end(RuleTable $table, Address $at, \Closure $opens): string
    {
        $status = null;
        while (null !== $rule = $table->exact($at, $this->now())) {
            $status = $status?->then($rule->status) ?? $rule->status;
            $at = $rule->goal->address ?? $at;
            if ($opens($at)) {
                break;
            }
        }

        return "$at {$status?->value}";
    }

    /** @return array<string, string> target and status by source */
    private function ends(RuleTable $table): array
    {
        $ends = [];
        foreach ($table->rules() as $rule) {
            $ends[$rule->source->path] = "{$rule->goal->address?->path} {$rule->status->value}";
        }

        return $ends;
    }

    private function rule(string $from, string $to, RedirectStatus $status = RedirectStatus::ForGood, bool $prefix = false): Rule
    {
        return new Rule($from, Address::parse($from), $prefix, Goal::address(Address::parse($to)), $status);
    }

    private function now(): \DateTimeImmutable
    {
        return new \DateTimeImmutable('2026-03-01T12:00:00Z');
    }
}

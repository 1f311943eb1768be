<?php

declare(strict_types=1);

namespace Lantern\Core\Redirect;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\Query;

/**
 * Makes every exact rule lead straight to where its chain ends: A→B and B→C becomes A→C. Prefix rules
 * stay as they are, since each address below one may end elsewhere; exact rules that lead into one
 * are carried through it. Takes time in proportion to the number of rules.
 */
final class Flattening
{
    /** @var array<string, Rule|null> flattened exact rules by source; null while one is being followed */
    private array $done = [];

    /** @param (\Closure(Address): bool)|null $placeOpensAt a place wins over a redirect, so a chain ends there */
    private function __construct(
        private readonly RuleTable $table,
        private readonly \DateTimeImmutable $moment,
        private readonly ?\Closure $placeOpensAt,
    ) {
    }

    /**
     * @param (\Closure(Address): bool)|null $placeOpensAt whether a place stands at an address; without it none does
     *
     * @throws LoopFound where rules lead back to where they began
     */
    public static function of(RuleTable $table, \DateTimeImmutable $moment, ?\Closure $placeOpensAt = null): RuleTable
    {
        $flattening = new self($table, $moment, $placeOpensAt);
        $flat = new RuleTable();
        foreach ($table->rules() as $rule) {
            $flat->add($rule->prefix || !$rule->isInForce($moment) ? $rule : $flattening->flat($rule));
        }

        return $flat;
    }

    /** Follows the chain without recursion, so its length is no matter, then gives each link of it the same end. */
    private function flat(Rule $start): Rule
    {
        // Met already, as a link of a chain that began elsewhere.
        if (isset($this->done[$start->source->path])) {
            return $this->done[$start->source->path];
        }
        /** @var list<array{Rule, string}> $chain each rule with the address at which it was met */
        $chain = [];
        $steps = [];
        $rule = $start;
        $at = $start->source;
        $end = null;
        while (true) {
            if (isset($steps[$at->path])) {
                throw new LoopFound($this->loop(array_keys($steps), $at->path));
            }
            $steps[$at->path] = true;
            $chain[] = [$rule, $at->path];
            $next = $rule->next($at);
            if (null === $next || (null !== $this->placeOpensAt && ($this->placeOpensAt)($next))) {
                break;
            }
            if (isset($this->done[$next->path])) {
                $end = $this->done[$next->path];
                break;
            }
            $following = $this->table->exact($next, $this->moment) ?? $this->table->longestPrefix($next, $this->moment);
            // A rule that ends some day keeps its own step: what comes before it may not outlive it.
            if (null === $following || null !== $following->until) {
                break;
            }
            [$rule, $at] = [$following, $next];
        }
        foreach (array_reverse($chain) as [$link, $path]) {
            $end = null === $end ? $this->resolved($link, $path) : $this->joined($link, $path, $end);
            if (!$link->prefix) {
                $this->done[$path] = $end;
            }
        }

        return $this->done[$start->source->path] ?? $start;
    }

    private function resolved(Rule $rule, string $path): Rule
    {
        if (!$rule->prefix) {
            return $rule;
        }
        $from = Address::fromNormal($path);
        $next = $rule->next($from);

        return null === $next ? new Rule($rule->id, $from, false, $rule->goal, $rule->status)
            : new Rule($rule->id, $from, false, Goal::address($next, $rule->goal->query), $rule->status);
    }

    private function joined(Rule $rule, string $path, Rule $end): Rule
    {
        $goal = $end->goal;
        if (null !== $goal->address && '' !== $rule->goal->query) {
            $goal = Goal::address($goal->address, Query::merge($goal->query, $rule->goal->query));
        }

        return new Rule(
            $rule->id,
            $rule->prefix ? Address::fromNormal($path) : $rule->source,
            false,
            $goal,
            $rule->status->then($end->status),
            $rule->until,
        );
    }

    /**
     * @param list<string> $steps
     *
     * @return list<string>
     */
    private function loop(array $steps, string $backAt): array
    {
        return [...\array_slice($steps, (int) array_search($backAt, $steps, true)), $backAt];
    }
}

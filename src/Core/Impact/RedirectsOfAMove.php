<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleTable;

/**
 * The redirects that go with a move of places. When they are made, every address that visitors know
 * still leads to its place: by a redirect of its own, or by one for all below the place it came along with.
 */
final class RedirectsOfAMove
{
    /** As the redirects will be. */
    private RuleTable $table;
    /** @var array<string, list<string>> ids of the places that visitors know at an address */
    private array $knownAt = [];
    /** @var array<string, Rule> by source */
    private array $made = [];
    /** @var list<Rule> */
    private array $dropped = [];
    /** @var array<string, Rule> by id */
    private array $retargeted = [];

    /**
     * @param array<string, Address> $liveAddresses the addresses that visitors know, by place id
     * @param array<string, true>    $liveSources   as AddressPlanner takes them
     * @param list<Rule>             $rules         as AddressPlanner takes them
     */
    public function __construct(
        private readonly MovedPlaces $after,
        private readonly array $liveAddresses,
        private readonly array $liveSources,
        array $rules,
    ) {
        $this->table = new RuleTable($rules);
        foreach ($liveAddresses as $id => $address) {
            $this->knownAt[$address->path][] = $id;
        }
    }

    /** @param list<non-empty-list<ChangedAddress>> $moves each with its own place first */
    public function change(array $moves): AddressChange
    {
        $all = array_merge([], ...$moves);
        foreach ($moves as $moved) {
            $this->dropWhatIsTakenBack($moved);
        }
        foreach ($moves as $moved) {
            $this->leadOn($moved, $all);
        }
        foreach ($moves as $moved) {
            $this->makeWhatIsMissing($moved);
        }
        foreach ($all as $one) {
            $this->rememberWhoWasThere($one);
        }
        $asked = array_map(static fn (array $moved): ChangedAddress => $moved[0], $moves);

        return new AddressChange(
            $all,
            $asked,
            array_values($this->made),
            $this->dropped,
            array_values($this->retargeted),
            $this->shadowedBy($all),
        );
    }

    /**
     * The redirects that lead from the addresses that visitors know to where their places are, as far as none is there.
     *
     * @param list<ChangedAddress> $moved
     *
     * @return list<Rule> without ids
     */
    public function missing(array $moved): array
    {
        foreach ($moved as $one) {
            $this->makeWhatIsMissing([$one]);
        }

        return array_values($this->made);
    }

    /**
     * A redirect from where a place will stand, to that place, has done its work.
     *
     * @param non-empty-list<ChangedAddress> $moved
     */
    private function dropWhatIsTakenBack(array $moved): void
    {
        foreach ($moved as $one) {
            $rule = $this->table->of($one->to, false);
            if (
                true === $rule?->isStored()
                && ($rule->goal->placeId === $one->placeId || true === $rule->goal->address?->equals($one->from))
            ) {
                $this->drop($rule);
            }
        }
        $to = $moved[0]->to;
        $rule = $this->table->of($to, true);
        if (1 === \count($moved) || true !== $rule?->isStored()) {
            return;
        }
        // All below come back, too: the redirect for them would lead round in a circle.
        $passed = $this->chainOf($rule);
        if (isset($passed[$moved[0]->from->path])) {
            $this->drop($rule);
            $this->keepWhatWentFurther($to, $passed);
        }
    }

    /** @return array<string, Address> the addresses that a redirect for all below leads to, one after the other, by path */
    private function chainOf(Rule $rule): array
    {
        $passed = [];
        while (null !== $rule?->goal->address && !isset($passed[$rule->goal->address->path])) {
            $goal = $rule->goal->address;
            $passed[$goal->path] = $goal;
            $rule = $this->table->of($goal, true);
        }

        return $passed;
    }

    /**
     * What a redirect for all below led on to other redirects gets one of its own, before that one falls away.
     *
     * @param array<string, Address> $passed addresses that it led to
     */
    private function keepWhatWentFurther(Address $source, array $passed): void
    {
        foreach ($passed as $through) {
            foreach ($this->table->below($through) as $rule) {
                $kept = $rule->source->rebased($through, $source);
                $goal = $rule->goal->address;
                $circle = null !== $goal && ($goal->equals($kept) || $rule->prefix && $goal->isBelow($kept));
                if (
                    null === $this->table->of($kept, $rule->prefix)
                    && !$circle
                    && ($rule->prefix || !$this->after->isAlwaysOpenAt($kept))
                ) {
                    $this->make(new Rule('', $kept, $rule->prefix, $rule->goal, $rule->status, $rule->until));
                }
            }
        }
    }

    /**
     * Redirects that led to where a place was lead to where it will be: to the place itself, and for
     * all below it to its new address, where nothing went another way in between.
     *
     * @param non-empty-list<ChangedAddress> $moved
     * @param list<ChangedAddress>           $all   what moves in the same change
     */
    private function leadOn(array $moved, array $all): void
    {
        $byFrom = [];
        foreach ($moved as $one) {
            $byFrom[$one->from->path] = $one;
        }
        foreach ($this->table->rules() as $rule) {
            $one = $byFrom[$rule->goal->address->path ?? ''] ?? null;
            if (null !== $one && !$rule->prefix && $rule->isStored()) {
                $this->retarget(
                    $rule,
                    '' === $rule->goal->query ? Goal::place($one->placeId) : Goal::address($one->to, $rule->goal->query),
                );
            }
        }
        if (1 === \count($moved)) {
            return;
        }
        [$from, $to] = [$moved[0]->from, $moved[0]->to];
        foreach ($this->table->rules() as $rule) {
            $goal = $rule->goal->address;
            if (null === $goal || !$rule->prefix || !$rule->isStored() || !($goal->equals($from) || $goal->isBelow($from))) {
                continue;
            }
            $new = $goal->rebased($from, $to);
            if (!$new->equals($rule->source) && !$new->isBelow($rule->source) && $this->allWentAlong($goal, $from, $to, $all)) {
                $this->retarget($rule, Goal::address($new, $rule->goal->query));
            }
        }
    }

    /**
     * Whether nothing below an address went another way: by a redirect, or by a wish of its own.
     *
     * @param list<ChangedAddress> $all
     */
    private function allWentAlong(Address $below, Address $from, Address $to, array $all): bool
    {
        if (null !== $this->table->of($below, true) || null !== $this->table->nearestPrefix($below) || [] !== $this->table->below($below)) {
            return false;
        }
        foreach ($all as $one) {
            if ($one->from->isBelow($below) && !$one->from->rebased($from, $to)->equals($one->to)) {
                return false;
            }
        }

        return true;
    }

    /** @param non-empty-list<ChangedAddress> $moved */
    private function makeWhatIsMissing(array $moved): void
    {
        $root = $moved[0];
        foreach ($moved as $index => $one) {
            $known = $this->liveAddresses[$one->placeId] ?? null;
            if (null !== $known) {
                $this->keep($one, $known, 0 === $index ? null : $root, $this->liveAddresses[$root->placeId] ?? null);
            }
            // Visitors may come this way though no place is live here: by a redirect from here, or for all below an older address.
            if (
                true !== $known?->equals($one->from)
                && (isset($this->liveSources[$one->from->path]) || $this->table->isLedToByPrefix($one->from))
            ) {
                $this->keep($one, $one->from, 0 === $index ? null : $root, $root->from);
            }
        }
    }

    /** Makes sure that an address leads to the place that moved, by itself or along with the root of the move. */
    private function keep(ChangedAddress $one, Address $known, ?ChangedAddress $root, ?Address $rootKnown): void
    {
        if ($known->equals($one->to) || $this->after->isAlwaysOpenAt($known)) {
            return;
        }
        $rule = $this->table->of($known, false);
        if (null !== $rule && null === $rule->until && $rule->goal->placeId === $one->placeId) {
            return;
        }
        if (null !== $rule && !$this->after->opens($one->placeId)) {
            // Visitors followed that one, and not the place, which is closed.
            return;
        }
        if (null !== $root && null !== $rootKnown && $this->comesAlong($one, $known, $root, $rootKnown)) {
            if (null === $this->table->of($rootKnown, true)) {
                $this->make(new Rule('', $rootKnown, true, Goal::address($root->to), RedirectStatus::ForGood));
            }

            return;
        }
        $this->make(new Rule('', $known, false, Goal::place($one->placeId), RedirectStatus::ForGood));
    }

    /** Whether a redirect for all below the known address of the root leads to this place, too. */
    private function comesAlong(ChangedAddress $one, Address $known, ChangedAddress $root, Address $rootKnown): bool
    {
        if (
            !$known->isBelow($rootKnown)
            || !$known->rebased($rootKnown, $root->to)->equals($one->to)
            || null !== $this->table->of($known, false)
        ) {
            return false;
        }
        $served = $this->table->nearestPrefix($known);
        if (null === $served) {
            return !$root->to->isBelow($rootKnown);
        }

        // One above it serves others, who have nothing else: it keeps them, and this gets a redirect of its own.
        return $served->source->equals($rootKnown) && true === $served->goal->address?->equals($root->to);
    }

    /** A place that visitors still know where this one stood, and that has moved before: it is found again. */
    private function rememberWhoWasThere(ChangedAddress $one): void
    {
        if ($this->after->isAlwaysOpenAt($one->from) || null !== $this->table->of($one->from, false)) {
            return;
        }
        foreach ($this->knownAt[$one->from->path] ?? [] as $id) {
            if ($id !== $one->placeId && null !== $this->after->addressOf($id)) {
                $this->make(new Rule('', $one->from, false, Goal::place($id), RedirectStatus::ForGood));

                return;
            }
        }
    }

    /**
     * Redirects that were there, stay, and are followed no more.
     *
     * @param list<ChangedAddress> $all
     *
     * @return list<Rule>
     */
    private function shadowedBy(array $all): array
    {
        $rules = array_map(fn (ChangedAddress $one): ?Rule => $this->table->of($one->to, false), $all);

        return array_values(array_filter(
            $rules,
            fn (?Rule $rule): bool => true === $rule?->isStored() && !isset($this->retargeted[$rule->id]),
        ));
    }

    private function make(Rule $new): void
    {
        $this->made[$new->sourceWords()] = $new;
        $this->table->put($new);
    }

    private function drop(Rule $rule): void
    {
        $this->dropped[] = $rule;
        $this->table->remove($rule);
    }

    private function retarget(Rule $rule, Goal $goal): void
    {
        $this->retargeted[$rule->id] = $changed = $rule->leadingTo($goal);
        $this->table->put($changed);
    }
}

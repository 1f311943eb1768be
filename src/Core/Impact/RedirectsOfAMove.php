<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\Rule;

/**
 * The redirects that go with a move of places. When they are made, every address that visitors know
 * still leads to its place: by a redirect of its own, or by one for all below the place it came along with.
 */
final class RedirectsOfAMove
{
    /** @var array<string, Rule|NewRedirect> exact redirects as they will be, by source */
    private array $exact = [];
    /** @var array<string, Rule|NewRedirect> redirects for all below an address, as they will be, by source */
    private array $prefix = [];
    /** @var array<string, NewRedirect> by source */
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
    public function __construct(private readonly MovedPlaces $after, private readonly array $liveAddresses, private readonly array $liveSources, private readonly array $rules)
    {
        foreach ($rules as $rule) {
            if ($rule->prefix) {
                $this->prefix[$rule->source->path] = $rule;
            } else {
                $this->exact[$rule->source->path] = $rule;
            }
        }
    }

    /** @param list<non-empty-list<Readdressed>> $moves each with its own place first */
    public function change(array $moves): AddressChange
    {
        foreach ($moves as $moved) {
            $this->dropWhatIsTakenBack($moved);
        }
        foreach ($moves as $moved) {
            $this->leadOn($moved, array_merge([], ...$moves));
        }
        foreach ($moves as $moved) {
            $this->makeWhatIsMissing($moved);
        }
        $moved = array_merge([], ...$moves);
        foreach ($moved as $one) {
            $this->rememberWhoWasThere($one);
        }
        $shadowed = array_values(array_filter($this->rules, fn (Rule $rule): bool => !$rule->prefix
            && ($this->exact[$rule->source->path] ?? null) === $rule
            && [] !== array_filter($moved, static fn (Readdressed $one): bool => $one->to->equals($rule->source))));

        return new AddressChange($moved, array_map(static fn (array $moves): Readdressed => $moves[0], $moves), array_values($this->made), $this->dropped, array_values($this->retargeted), $shadowed);
    }

    /**
     * The redirects that lead from the addresses that visitors know to where their places are, as far as none is there.
     *
     * @param list<Readdressed> $moved
     *
     * @return list<NewRedirect>
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
     * @param non-empty-list<Readdressed> $moved
     */
    private function dropWhatIsTakenBack(array $moved): void
    {
        foreach ($moved as $one) {
            $rule = $this->exact[$one->to->path] ?? null;
            if ($rule instanceof Rule && ($rule->goal->placeId === $one->placeId || true === $rule->goal->address?->equals($one->from))) {
                $this->drop($rule);
            }
        }
        $to = $moved[0]->to;
        $rule = $this->prefix[$to->path] ?? null;
        if (1 === \count($moved) || !$rule instanceof Rule) {
            return;
        }
        // All below come back, too: the redirect for them would lead round in a circle.
        $passed = $this->chainOf($rule);
        if (\in_array($moved[0]->from->path, $passed, true)) {
            $this->drop($rule);
            $this->keepWhatWentFurther($to, $passed);
        }
    }

    /** @return list<string> the addresses that a redirect for all below leads to, one after the other */
    private function chainOf(Rule $rule): array
    {
        $passed = [];
        $at = $rule;
        while (null !== $at && null !== $at->goal->address && !\in_array($at->goal->address->path, $passed, true)) {
            $passed[] = $at->goal->address->path;
            $at = $this->prefix[$at->goal->address->path] ?? null;
        }

        return $passed;
    }

    /**
     * What a redirect for all below led on to other redirects gets one of its own, before that one falls away.
     *
     * @param list<string> $passed addresses that it led to
     */
    private function keepWhatWentFurther(Address $source, array $passed): void
    {
        foreach ($passed as $path) {
            $through = Address::fromNormal($path);
            foreach ([...array_values($this->exact), ...array_values($this->prefix)] as $rule) {
                if (!$rule->source->isBelow($through)) {
                    continue;
                }
                $kept = $rule->source->rebased($through, $source);
                $known = $rule->prefix ? $this->prefix : $this->exact;
                $circle = $rule->prefix && true === $rule->goal->address?->equals($kept);
                if (!isset($known[$kept->path]) && !$circle && ($rule->prefix || !$this->after->isAlwaysOpenAt($kept))) {
                    $this->make(new NewRedirect($kept, $rule->prefix, $rule->goal, $rule->status, $rule->until));
                }
            }
        }
    }

    /**
     * Redirects that led to where a place was lead to where it will be: to the place itself, and for
     * all below it to its new address, where nothing went another way in between.
     *
     * @param non-empty-list<Readdressed> $moved
     * @param list<Readdressed>           $all   what moves in the same change
     */
    private function leadOn(array $moved, array $all): void
    {
        $byFrom = [];
        foreach ($moved as $one) {
            $byFrom[$one->from->path] = $one;
        }
        foreach ($this->exact as $rule) {
            $one = $byFrom[$rule->goal->address->path ?? ''] ?? null;
            if ($rule instanceof Rule && null !== $one) {
                $goal = '' === $rule->goal->query ? Goal::place($one->placeId) : Goal::address($one->to, $rule->goal->query);
                $this->retarget($rule, $goal);
            }
        }
        if (1 === \count($moved)) {
            return;
        }
        [$from, $to] = [$moved[0]->from, $moved[0]->to];
        $branches = array_filter([...array_values($this->exact), ...array_values($this->prefix)], static fn (Rule|NewRedirect $rule): bool => $rule->source->isBelow($from));
        foreach ($this->prefix as $rule) {
            $goal = $rule->goal->address;
            if (!$rule instanceof Rule || null === $goal || !($goal->equals($from) || $goal->isBelow($from))) {
                continue;
            }
            $new = $goal->rebased($from, $to);
            $passedBy = array_filter($branches, static fn (Rule|NewRedirect $branch): bool => $branch->source->isBelow($goal));
            $served = array_filter([$goal, ...$goal->ancestors()], fn (Address $above): bool => isset($this->prefix[$above->path]));
            $apart = array_filter($all, static fn (Readdressed $one): bool => $one->from->isBelow($goal) && !$one->from->rebased($from, $to)->equals($one->to));
            if ([] === $passedBy && [] === $served && [] === $apart && !$new->equals($rule->source) && !$new->isBelow($rule->source)) {
                $this->retarget($rule, Goal::address($new, $rule->goal->query));
            }
        }
    }

    /** @param non-empty-list<Readdressed> $moved */
    private function makeWhatIsMissing(array $moved): void
    {
        $root = $moved[0];
        foreach ($moved as $index => $one) {
            $known = $this->liveAddresses[$one->placeId] ?? null;
            if (null !== $known) {
                $this->keep($one, $known, 0 === $index ? null : $root, $this->liveAddresses[$root->placeId] ?? null);
            }
            // Visitors may come this way though no place is live here: by a redirect from here, or for all below an older address.
            if (true !== $known?->equals($one->from) && (isset($this->liveSources[$one->from->path]) || PrefixGoals::leadTo($one->from, $this->prefix))) {
                $this->keep($one, $one->from, 0 === $index ? null : $root, $root->from);
            }
        }
    }

    /** Makes sure that an address leads to the place that moved, by itself or along with the root of the move. */
    private function keep(Readdressed $one, Address $known, ?Readdressed $root, ?Address $rootKnown): void
    {
        if ($known->equals($one->to) || $this->after->isAlwaysOpenAt($known) || $this->isLedTo($one, $known)) {
            return;
        }
        if (isset($this->exact[$known->path]) && !$this->after->opens($one->placeId)) {
            // Visitors followed that one, and not the place, which is closed.
            return;
        }
        if (null !== $root && null !== $rootKnown && $this->comesAlong($one, $known, $root, $rootKnown)) {
            if (!isset($this->prefix[$rootKnown->path])) {
                $this->make(new NewRedirect($rootKnown, true, Goal::address($root->to)));
            }

            return;
        }
        $this->make(new NewRedirect($known, false, Goal::place($one->placeId)));
    }

    /** Whether a redirect is there that leads from the known address to the place. */
    private function isLedTo(Readdressed $one, Address $known): bool
    {
        $rule = $this->exact[$known->path] ?? null;

        return null !== $rule && null === $rule->until && $rule->goal->placeId === $one->placeId;
    }

    /** Whether a redirect for all below the known address of the root leads to this place, too. */
    private function comesAlong(Readdressed $one, Address $known, Readdressed $root, Address $rootKnown): bool
    {
        if (!$known->isBelow($rootKnown) || !$known->rebased($rootKnown, $root->to)->equals($one->to) || isset($this->exact[$known->path])) {
            return false;
        }
        $served = null;
        foreach ($known->ancestors() as $above) {
            $served ??= $this->prefix[$above->path] ?? null;
        }
        if (null === $served) {
            return !$root->to->isBelow($rootKnown);
        }

        // One above it serves others, who have nothing else: it keeps them, and this gets a redirect of its own.
        return $served->source->equals($rootKnown) && true === $served->goal->address?->equals($root->to);
    }

    /** A place that visitors still know where this one stood, and that has moved before: it is found again. */
    private function rememberWhoWasThere(Readdressed $one): void
    {
        if ($this->after->isAlwaysOpenAt($one->from) || isset($this->exact[$one->from->path])) {
            return;
        }
        foreach ($this->liveAddresses as $id => $known) {
            if ($known->equals($one->from) && $id !== $one->placeId && null !== $this->after->addressOf($id)) {
                $this->make(new NewRedirect($known, false, Goal::place($id)));

                return;
            }
        }
    }

    private function make(NewRedirect $new): void
    {
        $this->made[$new->sourceWords()] = $new;
        if ($new->prefix) {
            $this->prefix[$new->source->path] = $new;
        } else {
            $this->exact[$new->source->path] = $new;
        }
    }

    private function drop(Rule $rule): void
    {
        $this->dropped[] = $rule;
        if ($rule->prefix) {
            unset($this->prefix[$rule->source->path]);
        } else {
            unset($this->exact[$rule->source->path]);
        }
    }

    private function retarget(Rule $rule, Goal $goal): void
    {
        $changed = new Rule($rule->id, $rule->source, $rule->prefix, $goal, $rule->status, $rule->until);
        $this->retargeted[$rule->id] = $changed;
        if ($rule->prefix) {
            $this->prefix[$rule->source->path] = $changed;
        } else {
            $this->exact[$rule->source->path] = $changed;
        }
    }
}

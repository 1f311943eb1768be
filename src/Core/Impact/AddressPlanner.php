<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\ReservedAddresses;
use Lantern\Core\Answer\PlaceLookup;
use Lantern\Core\Place\Place;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Refused;

/** Works out what a change of address does, or refuses it. */
final readonly class AddressPlanner
{
    /**
     * @param PlaceLookup            $places        the workbench
     * @param array<string, Address> $liveAddresses the addresses that visitors know, by place id
     * @param list<Rule>             $rules         the redirects that have to do with the addresses concerned:
     *                                              those whose source is a new address, or whose target is
     *                                              the old address or stands below it
     */
    public function __construct(
        private PlaceLookup $places,
        private array $liveAddresses,
        private array $rules,
    ) {
    }

    /**
     * @param list<Place> $below what stands below the place and comes along; empty where it stays behind
     *
     * @throws Refused where the address is reserved, taken, or not this place's to change
     */
    public function plan(Place $place, Address $to, array $below = []): AddressChange
    {
        if ($place->kind->isFixed()) {
            throw new Refused('address', \sprintf('The %s is always at %s. Its title can be changed, its address cannot.', $place->kind->words(), $place->address));
        }
        $this->refuseUntidy($place, $to);
        $moved = [new Readdressed($place->id, $place->title, $place->address, $to)];
        foreach ($below as $other) {
            if ($other->address->isBelow($place->address)) {
                $moved[] = new Readdressed($other->id, $other->title, $other->address, $other->address->rebased($place->address, $to));
            }
        }
        $this->refuseWhatCannotBe($moved);

        $dropped = $this->takenBack($moved);
        $droppedIds = array_map(static fn (Rule $rule): string => $rule->id, $dropped);
        $made = $this->made($moved);
        // Another redirect that leads into what moves has to follow, or visitors would make two hops.
        $retargeted = \count($moved) > 1 ? $this->retargeted($place->address, $to, $droppedIds) : [];
        $shadowed = array_values(array_filter($this->rules, static fn (Rule $rule): bool => !$rule->prefix
            && !\in_array($rule->id, $droppedIds, true)
            && [] !== array_filter($moved, static fn (Readdressed $one): bool => $one->to->equals($rule->source))));

        return new AddressChange($moved, $made, $dropped, $retargeted, $shadowed);
    }

    /** Only the part that is new is judged: an old address may be taken back whatever it looks like. */
    private function refuseUntidy(Place $place, Address $to): void
    {
        $known = $this->liveAddresses[$place->id] ?? null;
        $tidy = preg_replace('/(%20|[_\s])+/u', '-', $to->path) ?? $to->path;
        if ($tidy !== $to->path && true !== $known?->equals($to)) {
            throw new Refused('address', \sprintf('An address has hyphens instead of spaces and underscores; people and search engines read it better. Write %s.', $tidy));
        }
    }

    /** @param list<Readdressed> $moved */
    private function refuseWhatCannotBe(array $moved): void
    {
        $movedIds = array_map(static fn (Readdressed $one): string => $one->placeId, $moved);
        foreach ($moved as $one) {
            $reserved = ReservedAddresses::reason($one->to);
            if (null !== $reserved) {
                throw new Refused('address', \sprintf('%s is reserved: %s. Choose another address.', $one->to, $reserved));
            }
            $there = $this->places->at($one->to);
            if (null !== $there && !\in_array($there->id, $movedIds, true)) {
                throw new Refused('address', \sprintf('%s is taken by the %s “%s”. Choose another address, or change that one first.', $one->to, $there->kind->words(), $there->title));
            }
        }
    }

    /**
     * @param list<Readdressed> $moved
     *
     * @return list<Rule>
     */
    private function takenBack(array $moved): array
    {
        $dropped = [];
        foreach ($this->rules as $rule) {
            foreach ($moved as $one) {
                $leadsHere = $rule->prefix
                    ? true === $rule->goal->address?->equals($one->from)
                    : $rule->goal->placeId === $one->placeId || true === $rule->goal->address?->equals($one->from);
                if ($leadsHere && $rule->source->equals($one->to)) {
                    $dropped[] = $rule;
                    break;
                }
            }
        }

        return $dropped;
    }

    /**
     * @param list<Readdressed> $moved
     *
     * @return list<NewRedirect>
     */
    private function made(array $moved): array
    {
        $made = [];
        $prefixNeeded = false;
        foreach ($moved as $index => $one) {
            $known = $this->liveAddresses[$one->placeId] ?? null;
            if (null === $known || !$known->equals($one->from)) {
                continue;
            }
            if (0 === $index) {
                $made[] = new NewRedirect($one->from, false, Goal::place($one->placeId));
            } else {
                $prefixNeeded = true;
            }
        }
        if ($prefixNeeded && !$moved[0]->to->isBelow($moved[0]->from)) {
            $made[] = new NewRedirect($moved[0]->from, true, Goal::address($moved[0]->to));
        } elseif ($prefixNeeded) {
            // A prefix rule into its own source would never end, so each place gets its own.
            foreach (\array_slice($moved, 1) as $one) {
                if (($this->liveAddresses[$one->placeId] ?? null)?->equals($one->from)) {
                    $made[] = new NewRedirect($one->from, false, Goal::place($one->placeId));
                }
            }
        }

        return $made;
    }

    /**
     * @param list<string> $droppedIds
     *
     * @return list<Rule>
     */
    private function retargeted(Address $from, Address $to, array $droppedIds): array
    {
        $rules = [];
        foreach ($this->rules as $rule) {
            $goal = $rule->goal->address;
            if (null === $goal || \in_array($rule->id, $droppedIds, true) || !($goal->equals($from) || $goal->isBelow($from))) {
                continue;
            }
            $rules[] = new Rule($rule->id, $rule->source, $rule->prefix, Goal::address($goal->rebased($from, $to), $rule->goal->query), $rule->status, $rule->until);
        }

        return $rules;
    }
}

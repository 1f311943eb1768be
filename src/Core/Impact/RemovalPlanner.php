<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\Place;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\RuleTable;
use Lantern\Core\Refused;

/**
 * Works out what it does to remove a place: nobody who knows its address, or an older one, is left
 * without the answer that was chosen for them.
 */
final readonly class RemovalPlanner
{
    private RuleTable $table;

    /**
     * @param Address|null           $known        the address that visitors know; null where it was never live
     * @param list<Rule>             $rules        those that lead to the place or to its address, those from its addresses, and every
     *            prefix redirect
     * @param list<Mention>          $mentions     of the place, all kinds
     * @param int                    $visits       in the last 30 days
     * @param list<Place>            $below        what stands directly below it
     * @param array<string, Address> $others       the addresses, by id, at which visitors know other places that have moved
     *                                             from where this one stands
     * @param bool                   $isLiveSource whether visitors are redirected today from where the place stands
     * @param Place|null             $atKnown      what stands at the known address on the workbench
     */
    public function __construct(
        private ?Address $known,
        private array $rules,
        private array $mentions,
        private int $visits = 0,
        private array $below = [],
        private array $others = [],
        private bool $isLiveSource = false,
        private ?Place $atKnown = null,
    ) {
        $this->table = new RuleTable($rules);
    }

    /** @throws Refused where the place is not this program's to remove, or visitors cannot be led there */
    public function plan(Place $place, VisitorForwarding $onward, \DateTimeImmutable $moment): Removal
    {
        self::refuseWhatCannotGo($place);
        $onward->refuseWhatCannotBe($place, $moment);
        $left = clone $this->table;
        $kept = $this->addressesToKeep($place);
        $dropped = $changed = [];
        foreach ($this->rules as $rule) {
            if (!$this->leadsTo($place, $rule)) {
                // Nobody followed one from its own address while the place opened there; now visitors go where they are meant to.
                $instead = $place->light->opens() && !$rule->prefix && isset($kept[$rule->source->path]) ? null : $rule;
            } else {
                $instead = $this->instead($rule, $onward);
            }
            if (null === $instead) {
                $dropped[] = $rule;
                $left->remove($rule);
            } elseif ($instead !== $rule) {
                $changed[] = $instead;
            }
        }
        $made = [];
        foreach ($this->others as $id => $address) {
            $made[$address->path] = new Rule('', $address, false, Goal::place($id), RedirectStatus::ForGood);
        }
        foreach ($onward->isNotFound() ? [] : $kept as $path => $address) {
            $made[$path] ??= new Rule('', $address, false, $onward->goal(), $onward->gone ? RedirectStatus::Gone : RedirectStatus::ForGood);
        }
        $made = array_values(array_filter($made, static fn (Rule $rule): bool => null === $left->of($rule->source, false)));

        return new Removal(
            [
                ...$this->address($place, $onward),
                ...$this->menus(),
                ...$this->told($onward, $dropped, $changed),
                ...$this->whatStandsBelow(),
            ],
            $dropped,
            $changed,
            $made,
        );
    }

    /** @throws Refused where the place is not this program's to remove */
    public static function refuseWhatCannotGo(Place $place): void
    {
        if (!$place->kind->isMadeHere()) {
            throw new Refused(
                'place',
                $place->kind->mayClose()
                    ? \sprintf(
                        'A %s comes from elsewhere and is not removed here. Close it, and choose where its visitors go.',
                        $place->kind->words(),
                    )
                    : \sprintf('The %s is always there. Make it quiet to take it out of the menus.', $place->kind->words()),
            );
        }
    }

    /** Another place that opens at the known address by now. */
    private function successor(Place $place): ?Place
    {
        return true === $this->atKnown?->isAlwaysOpen() && $this->atKnown->id !== $place->id ? $this->atKnown : null;
    }

    /** @return array<string, Address> by path */
    private function addressesToKeep(Place $place): array
    {
        $addresses = null === $this->known || null !== $this->successor($place) ? [] : [$this->known->path => $this->known];
        // Visitors may come this way though no place is live here: by a redirect from here, or for all below an older address.
        if ($this->isLiveSource || $this->table->isLedToByPrefix($place->address)) {
            $addresses[$place->address->path] = $place->address;
        }

        return $addresses;
    }

    private function leadsTo(Place $place, Rule $rule): bool
    {
        return $rule->goal->placeId === $place->id || !$rule->prefix && true === $rule->goal->address?->equals($place->address);
    }

    private function instead(Rule $rule, VisitorForwarding $onward): ?Rule
    {
        return $onward->isNotFound() || true === $onward->place?->address->equals($rule->source) ? null : $rule->leadingTo($onward->goal());
    }

    /** @return list<Touch> */
    private function address(Place $place, VisitorForwarding $onward): array
    {
        if (null === $this->known) {
            return [new Touch(TouchKind::NobodyKnows, [$place->address->path])];
        }
        $successor = $this->successor($place);
        if (null !== $successor) {
            return [new Touch(TouchKind::AnotherOpensThere, [$successor->title], $this->known->path)];
        }
        $arrival = VisitorOutcome::after($onward);

        return [new Touch(TouchKind::LeadsOn, at: $this->known->path, arrival: $arrival, count: $this->visits, breaks: $arrival->breaks())];
    }

    /** @return list<Touch> */
    private function menus(): array
    {
        return array_map(
            static fn (Mention $one): Touch => new Touch(TouchKind::EntryGoesForGood, [MentionWords::of($one)], $one->where),
            $this->of(MentionKind::Entry),
        );
    }

    /**
     * @param list<Rule> $dropped
     * @param list<Rule> $changed
     *
     * @return list<Touch>
     */
    private function told(VisitorForwarding $onward, array $dropped, array $changed): array
    {
        $arrival = VisitorOutcome::after($onward);
        $sources = static fn (Rule $rule): string => $rule->sourceWords();
        $named = fn (MentionKind $kind): array => array_map(MentionWords::named(...), $this->of($kind));
        $inTexts = fn (bool $pieces): array => array_values(array_unique(array_map(
            MentionWords::named(...),
            array_filter(
                $this->of(MentionKind::Text),
                static fn (Mention $one): bool => $pieces === ($one instanceof TextMention && $one->ofPieces),
            ),
        )));
        $touches = [
            new Touch(TouchKind::TextsRewritten, $inTexts(false), arrival: $arrival),
            new Touch(TouchKind::PiecesGo, $inTexts(true), arrival: $arrival),
            new Touch(TouchKind::OlderAddressesFollow, array_map($sources, $changed), arrival: $arrival, breaks: $arrival->breaks()),
            new Touch(
                $arrival->breaks() ? TouchKind::OlderAddressesNotFound : TouchKind::RedirectsFallAway,
                array_map($sources, $dropped),
                breaks: $arrival->breaks(),
            ),
            new Touch(TouchKind::ClosedPlacesFollow, $named(MentionKind::ClosedPlace), arrival: $arrival),
            new Touch(TouchKind::OutsideStays, $named(MentionKind::Outside), arrival: $arrival, breaks: $arrival->breaks()),
        ];

        return array_values(array_filter($touches, static fn (Touch $one): bool => [] !== $one->things));
    }

    /** @return list<Touch> */
    private function whatStandsBelow(): array
    {
        return [] === $this->below
            ? []
            : [new Touch(TouchKind::BelowKeepTheirAddresses, array_map(static fn (Place $one): string => $one->title, $this->below))];
    }

    /** @return list<Mention> */
    private function of(MentionKind $kind): array
    {
        return array_values(array_filter($this->mentions, static fn (Mention $one): bool => $one->kind === $kind));
    }
}

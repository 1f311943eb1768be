<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\ReservedAddresses;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceLookup;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Refused;

/**
 * Works out what it does to give places other addresses, one or many at once, or refuses it. All of
 * them move together, so two may change addresses with one another.
 */
final readonly class AddressPlanner
{
    /**
     * @param PlaceLookup            $places        the workbench
     * @param array<string, Address> $liveAddresses the addresses that visitors know: of every place that moves,
     *                                              and of those that are known where one that moves stands, by place id
     * @param array<string, true>    $liveSources   addresses, among those where places stand, from which visitors are redirected today
     * @param list<Rule>             $rules         the redirects that have to do with the addresses concerned:
     *                                              every prefix redirect, and the exact ones whose source or
     *                                              target is one of the addresses or stands below one
     */
    public function __construct(
        private PlaceLookup $places,
        private array $liveAddresses,
        private array $liveSources,
        private array $rules,
    ) {
    }

    /**
     * @param list<Readdressing> $wanted
     *
     * @throws Refused where an address is reserved, taken, untidy, or not this place's to change
     */
    public function plan(array $wanted): AddressChange
    {
        $moves = $this->moves($wanted);
        foreach ($this->problems($wanted, $moves) as $problem) {
            throw new Refused('address', $problem);
        }

        return $this->change($moves);
    }

    /**
     * Which of these cannot be, and what the others do together: one that has to stay where it is may
     * stand in the way of another.
     *
     * @param list<Readdressing> $wanted
     */
    public function judge(array $wanted): JudgedAddresses
    {
        $problems = [];
        do {
            $moves = $this->moves($wanted);
            $new = $this->problems($wanted, $moves);
            $problems += $new;
            $left = array_values(array_filter(
                $wanted,
                static fn (Readdressing $one): bool => !isset($new[$one->place->id]) && !$one->to->equals($one->place->address),
            ));
            $settled = \count($left) === \count($wanted);
            $wanted = $left;
        } while (!$settled);

        return new JudgedAddresses($problems, [] === $wanted ? null : $this->change($moves));
    }

    /** @param array<string, non-empty-list<ChangedAddress>> $moves */
    private function change(array $moves): AddressChange
    {
        $after = new MovedPlaces($this->places, array_merge([], ...array_values($moves)));

        return (new RedirectsOfAMove($after, $this->liveAddresses, $this->liveSources, $this->rules))->change(array_values($moves));
    }

    /**
     * @param list<Readdressing>                         $wanted
     * @param array<string, non-empty-list<ChangedAddress>> $moves
     *
     * @return array<string, string> what to tell a person, by place id
     */
    private function problems(array $wanted, array $moves): array
    {
        $movedIds = $targets = [];
        foreach ($moves as $moved) {
            foreach ($moved as $one) {
                $movedIds[$one->placeId] = true;
                $targets[$one->to->path][$one->placeId] = $one->title;
            }
        }
        $problems = [];
        foreach ($wanted as $wish) {
            try {
                $this->refuseWhatIsNotItsOwn($wish->place, $wish->to);
                foreach ($moves[$wish->place->id] as $one) {
                    $this->refuseReserved($one->to);
                    $this->refuseTaken($one, $movedIds, $targets);
                }
            } catch (Refused $refused) {
                $problems[$wish->place->id] = $refused->getMessage();
            }
        }

        return $problems;
    }

    /**
     * What each wish moves: its own place first, then what comes along. A place with a wish of its own
     * goes where that says; one below two that move goes along with the nearer one.
     *
     * @param list<Readdressing> $wanted
     *
     * @return array<string, non-empty-list<ChangedAddress>> by id of the wish's own place
     */
    private function moves(array $wanted): array
    {
        $own = [];
        foreach ($wanted as $wish) {
            $own[$wish->place->id] = true;
        }
        $nearest = [];
        foreach ($wanted as $wish) {
            foreach ($wish->below as $place) {
                if (!isset($own[$place->id]) && $place->address->isBelow($wish->place->address)
                    && \strlen($wish->place->address->path) > \strlen(($nearest[$place->id] ?? null)->place->address->path ?? '')) {
                    $nearest[$place->id] = $wish;
                }
            }
        }
        $moves = [];
        foreach ($wanted as $wish) {
            $from = $wish->place->address;
            $moves[$wish->place->id] = [new ChangedAddress($wish->place->id, $wish->place->title, $from, $wish->to)];
            foreach ($wish->below as $place) {
                if (($nearest[$place->id] ?? null) === $wish) {
                    $moves[$wish->place->id][] = new ChangedAddress(
                        $place->id,
                        $place->title,
                        $place->address,
                        $place->address->rebased($from, $wish->to),
                    );
                }
            }
        }

        return $moves;
    }

    /** Only the part that is new is judged: an old address may be taken back whatever it looks like. */
    private function refuseWhatIsNotItsOwn(Place $place, Address $to): void
    {
        if ($place->kind->isFixed()) {
            throw new Refused(
                'address',
                \sprintf('The %s is always at %s. Its title can be changed, its address cannot.', $place->kind->words(), $place->address),
            );
        }
        $known = $this->liveAddresses[$place->id] ?? null;
        $tidy = preg_replace('/(%20|[_\s])+/u', '-', $to->path) ?? $to->path;
        if ($tidy !== $to->path && true !== $known?->equals($to)) {
            throw new Refused(
                'address',
                \sprintf(
                    'An address has hyphens instead of spaces and underscores; people and search engines read it better. Write %s.',
                    $tidy,
                ),
            );
        }
    }

    private function refuseReserved(Address $to): void
    {
        $reserved = ReservedAddresses::reason($to);
        if (null !== $reserved) {
            throw new Refused('address', \sprintf('%s is reserved: %s. Choose another address.', $to, $reserved));
        }
    }

    /**
     * @param array<string, true>                  $movedIds
     * @param array<string, array<string, string>> $targets  titles of the places that want an address, by address and id
     */
    private function refuseTaken(ChangedAddress $one, array $movedIds, array $targets): void
    {
        $there = $this->places->at($one->to);
        if (null !== $there && !isset($movedIds[$there->id])) {
            throw new Refused(
                'address',
                \sprintf(
                    '%s is taken by the %s “%s”. Choose another address, or change that one first.',
                    $one->to,
                    $there->kind->words(),
                    $there->title,
                ),
            );
        }
        foreach ($targets[$one->to->path] as $id => $title) {
            if ($id !== $one->placeId) {
                throw new Refused(
                    'address',
                    \sprintf(
                        '%s is wanted for “%s”, too. One address leads to one place: choose another for one of them.',
                        $one->to,
                        $title,
                    ),
                );
            }
        }
    }
}

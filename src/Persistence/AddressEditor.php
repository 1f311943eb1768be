<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Address\Address;
use Lantern\Core\Impact\AddressChange;
use Lantern\Core\Impact\AddressPlanner;
use Lantern\Core\Impact\Readdressed;
use Lantern\Core\Impact\Readdressing;
use Lantern\Core\Place\Place;
use Lantern\Core\Refused;
use Lantern\Core\Words\Words;
use Lantern\Persistence\Journal\Edit;
use Lantern\Persistence\Journal\Person;
use Lantern\Persistence\Words\WordsRewriter;
use Psr\Clock\ClockInterface;

/** Changes addresses of places on the workbench, one or many, as one edit with the redirects that belong to it. */
final readonly class AddressEditor
{
    public const MOST = 500;

    public function __construct(
        private EntityManagerInterface $entities,
        private EditLog $edits,
        private RedirectRows $redirects,
        private Copies $copies,
        private WordsRewriter $words,
        private ClockInterface $clock,
    ) {
    }

    /**
     * What these changes would do together, without doing them. Where some cannot be, it is told why,
     * and what the others would do.
     *
     * @param list<AddressWish> $wishes
     *
     * @return array{array<string, string>, AddressChange|null} why not, by place id; what the others do
     *
     * @throws Refused
     */
    public function judge(array $wishes): array
    {
        [$good, $problems] = $this->readdressings($wishes);
        $planner = $this->planner($good);
        // One that stays where it is may stand in the way of another.
        do {
            $new = $planner->problems($good);
            $problems += $new;
            $good = array_values(array_filter($good, static fn (Readdressing $one): bool => !isset($problems[$one->place->id]) && !$one->to->equals($one->place->address)));
        } while ([] !== $new);

        return [$problems, [] === $good ? null : $planner->plan($good)];
    }

    /**
     * Makes the changes: all of them, or none.
     *
     * @param list<AddressWish> $wishes
     *
     * @throws Refused
     */
    public function change(array $wishes, Person $by): Edit
    {
        return $this->edits->run($by, 'places', function () use ($wishes, $by): string {
            $this->lock($wishes);
            $this->redirects->lock();
            [$readdressings, $problems] = $this->readdressings($wishes);
            if ([] !== $problems) {
                throw new Refused('address', array_values($problems)[0]);
            }
            $wanted = array_values(array_filter($readdressings, static fn (Readdressing $one): bool => !$one->to->equals($one->place->address)));
            if ([] === $wanted) {
                throw new Refused('address', 'These are the addresses they have already. Type others.');
            }
            $change = $this->planner($wanted)->plan($wanted);
            $this->rewriteTexts($change->moved, $by);
            $this->move($change->moved, $by);
            $this->redirects->carryOut($change->dropped, $change->retargeted, $change->made);

            return 1 === \count($change->asked)
                ? \sprintf('“%s” stands at %s now%s.', $change->asked[0]->title, $change->asked[0]->to, self::along($change))
                : \sprintf('%d places have other addresses now%s.', \count($change->asked), self::along($change));
        });
    }

    private static function along(AddressChange $change): string
    {
        $along = \count($change->moved) - \count($change->asked);

        return 0 === $along ? '' : \sprintf(', and %d below with %s', $along, 1 === \count($change->asked) ? 'it' : 'them');
    }

    /** @param list<AddressWish> $wishes */
    private function lock(array $wishes): void
    {
        $ids = array_map(static fn (AddressWish $wish): string => $wish->placeId, $wishes);
        $this->entities->getConnection()->executeStatement('SELECT 1 FROM place WHERE id IN (?) ORDER BY id FOR UPDATE', [$ids], [ArrayParameterType::STRING]);
    }

    /**
     * @param list<AddressWish> $wishes
     *
     * @return array{list<Readdressing>, array<string, string>}
     */
    private function readdressings(array $wishes): array
    {
        if ([] === $wishes || \count($wishes) > self::MOST) {
            throw new Refused('places', \sprintf('Choose from 1 to %d places at once.', self::MOST));
        }
        $places = $this->copies->workbench->places->byIds(array_map(static fn (AddressWish $wish): string => $wish->placeId, $wishes));
        $carrying = array_values(array_filter($wishes, static fn (AddressWish $wish): bool => $wish->carryBelow && true === ($places[$wish->placeId] ?? null)?->kind->hasPlacesBelow()));
        $below = array_values($this->copies->workbench->places->belowAny(array_map(static fn (AddressWish $wish): Address => $places[$wish->placeId]->address, $carrying)));
        $readdressings = $problems = [];
        foreach ($wishes as $wish) {
            $place = $places[$wish->placeId] ?? null;
            if (null === $place) {
                throw NotThere::place();
            }
            if ($place->address->path !== $wish->seen) {
                $problems[$place->id] = \sprintf('Somebody gave “%s” the address %s meanwhile. Look at it again.', $place->title, $place->address);
                continue;
            }
            $along = \in_array($wish, $carrying, true) && !$wish->to->equals($place->address)
                ? array_values(array_filter($below, static fn (Place $one): bool => $one->address->isBelow($place->address)))
                : [];
            $readdressings[] = new Readdressing($place, $wish->to, $along);
        }

        return [$readdressings, $problems];
    }

    /** @param list<Readdressing> $wanted */
    private function planner(array $wanted): AddressPlanner
    {
        $ids = $old = $new = $carried = [];
        foreach ($wanted as $wish) {
            foreach ([$wish->place, ...$wish->below] as $place) {
                $ids[] = $place->id;
                $old[] = $place->address;
                $new[] = $place->address->rebased($wish->place->address, $wish->to);
            }
            if ([] !== $wish->below) {
                array_push($carried, $wish->place->address, $wish->to);
            }
        }
        $live = $this->copies->live->places;
        $known = array_map(static fn (Place $place): Address => $place->address, $live->byIds($ids));
        foreach ($live->atAll($old) as $place) {
            $known[$place->id] ??= $place->address;
        }
        $places = new RememberedPlaces($this->copies->workbench->places);
        $places->remember([...$old, ...$new, ...array_values($known)], array_keys($known));

        return new AddressPlanner($places, $known, $this->copies->live->rules->sourcesAmong($old), $this->copies->workbench->rules->concernedBy([...$old, ...$new, ...array_values($known)], $carried));
    }

    /**
     * Links that were typed become references.
     *
     * @param list<Readdressed> $moved
     */
    private function rewriteTexts(array $moved, Person $by): void
    {
        $ids = [];
        foreach ($moved as $one) {
            $ids[$one->from->path] = $one->placeId;
        }
        $this->words->rewrite([], array_map(strval(...), array_keys($ids)), static fn (Words $words): Words => $words->referring($ids), $by);
    }

    /** @param list<Readdressed> $moved */
    private function move(array $moved, Person $by): void
    {
        $this->entities->getConnection()->executeStatement('SET CONSTRAINTS ALL DEFERRED');
        $this->entities->getConnection()->executeStatement(<<<'SQL'
            UPDATE place p SET address = m.address, version = p.version + 1, changed_at = :now, changed_by = :by
            FROM jsonb_to_recordset(CAST(:moved AS jsonb)) AS m(id uuid, address text) WHERE p.id = m.id
            SQL, [
            'moved' => json_encode(array_map(static fn (Readdressed $one): array => ['id' => $one->placeId, 'address' => $one->to->path], $moved), \JSON_THROW_ON_ERROR),
            'now' => $this->clock->now()->format(\DATE_ATOM),
            'by' => $by->name,
        ]);
    }
}

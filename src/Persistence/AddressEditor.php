<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Address\Address;
use Lantern\Core\Impact\AddressChange;
use Lantern\Core\Impact\AddressPlanner;
use Lantern\Core\Impact\NewRedirect;
use Lantern\Core\Impact\Readdressed;
use Lantern\Core\Place\Place;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Refused;
use Lantern\Persistence\Entity\RedirectRecord;
use Lantern\Persistence\Journal\Person;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\UuidV7;

/** Changes addresses of places on the workbench. Each change is one transaction, with the redirects that belong to it. */
final readonly class AddressEditor
{
    public function __construct(
        private EntityManagerInterface $entities,
        private UnitOfWork $work,
        private PlaceRecords $records,
        private Copies $copies,
        private ClockInterface $clock,
    ) {
    }

    /**
     * What a change of address would do, without doing it.
     *
     * @throws Refused|NotThere
     */
    public function plan(string $placeId, Address $to, bool $carryBelow): AddressChange
    {
        $place = $this->copies->workbench->places->get($placeId) ?? throw NotThere::place();
        $below = $carryBelow ? $this->below($place) : [];
        $newAddresses = [$to];
        foreach ($below as $one) {
            $newAddresses[] = $one->address->rebased($place->address, $to);
        }
        $known = array_map(
            static fn (Place $live): Address => $live->address,
            $this->copies->live->places->byIds([$place->id, ...array_map(static fn (Place $one): string => $one->id, $below)]),
        );

        return (new AddressPlanner($this->copies->workbench->places, $known, $this->copies->workbench->rules->concernedBy($place->address, $newAddresses)))
            ->plan($place, $to, $below);
    }

    /** @throws Refused|Stale|NotThere */
    public function change(string $placeId, int $version, Address $to, bool $carryBelow, Person $by): AddressChange
    {
        return $this->work->run(function () use ($placeId, $version, $to, $carryBelow, $by): AddressChange {
            $place = $this->records->locked($placeId, $version);
            if ($to->path === $place->address) {
                return new AddressChange([new Readdressed($place->id, $place->title, $to, $to)], [], [], [], []);
            }
            $change = $this->plan($placeId, $to, $carryBelow);
            $this->entities->getConnection()->executeStatement('SET CONSTRAINTS ALL DEFERRED');
            $place->address = $to->path;
            $this->records->sign($place, $by);
            $this->carry(\array_slice($change->moved, 1), $by);
            foreach ($change->dropped as $rule) {
                $this->entities->remove($this->entities->getReference(RedirectRecord::class, $rule->id) ?? throw new \LogicException('A rule without a row.'));
            }
            foreach ($change->retargeted as $rule) {
                $this->redirect($rule)->goalAddress = $rule->goal->address?->path;
            }
            foreach ($change->made as $new) {
                $this->make($new);
            }

            return $change;
        });
    }

    /** @return list<Place> what stands below a place, and would come along when its address changes */
    private function below(Place $place): array
    {
        return $place->kind->hasPlacesBelow()
            ? array_values($this->copies->workbench->places->below($place->address))
            : [];
    }

    /** @param list<Readdressed> $moved */
    private function carry(array $moved, Person $by): void
    {
        if ([] === $moved) {
            return;
        }
        $this->entities->getConnection()->executeStatement(<<<'SQL'
            UPDATE place p SET address = m.address, version = p.version + 1, changed_at = :now, changed_by = :by
            FROM jsonb_to_recordset(CAST(:moved AS jsonb)) AS m(id uuid, address text) WHERE p.id = m.id
            SQL, [
            'moved' => json_encode(array_map(static fn (Readdressed $one): array => ['id' => $one->placeId, 'address' => $one->to->path], $moved), \JSON_THROW_ON_ERROR),
            'now' => $this->clock->now()->format(\DATE_ATOM),
            'by' => $by->name,
        ]);
    }

    private function make(NewRedirect $new): void
    {
        $record = $this->entities->getRepository(RedirectRecord::class)->findOneBy(['source' => $new->source->path, 'isPrefix' => $new->prefix]);
        if (null === $record) {
            $record = new RedirectRecord((new UuidV7())->toRfc4122(), $new->source->path, $new->prefix, RedirectStatus::ForGood, 'address-change');
            $record->createdAt = $this->clock->now();
            $this->entities->persist($record);
        }
        $record->goalPlaceId = $new->goal->placeId;
        $record->goalAddress = $new->goal->address?->path;
        $record->goalOutside = null;
        $record->status = RedirectStatus::ForGood;
    }

    private function redirect(Rule $rule): RedirectRecord
    {
        return $this->entities->find(RedirectRecord::class, $rule->id) ?? throw new \LogicException('A rule without a row.');
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Address\Address;
use Lantern\Core\Impact\AddressChange;
use Lantern\Core\Impact\AddressPlanner;
use Lantern\Core\Impact\NewRedirect;
use Lantern\Core\Impact\Readdressed;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Place;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Refused;
use Lantern\Persistence\Entity\PlaceRecord;
use Lantern\Persistence\Entity\RedirectRecord;
use Lantern\Persistence\Journal\Person;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\UuidV7;

/** Changes places of the workbench. Each change is one transaction, with the redirects that belong to it. */
final readonly class PlaceEditor
{
    public function __construct(
        private EntityManagerInterface $entities,
        private UnitOfWork $work,
        private Copies $copies,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param int $version of the place that the change was thought out for
     *
     * @throws Refused|Stale|NotThere
     */
    public function rewrite(string $placeId, int $version, Person $by, ?string $title = null, ?Light $light = null): void
    {
        $this->work->run(function () use ($placeId, $version, $by, $title, $light): void {
            $place = $this->locked($placeId, $version);
            if (null !== $title) {
                $place->title = self::title($title);
            }
            if (null !== $light) {
                if (Light::Closed === $light && !$place->kind->mayClose()) {
                    throw new Refused('light', \sprintf('The %s is always there. Make it quiet to take it out of the menus.', $place->kind->words()));
                }
                $place->light = $light;
            }
            $this->sign($place, $by);
        });
    }

    /**
     * What a change of address would do, without doing it.
     *
     * @throws Refused|NotThere
     */
    public function planAddress(string $placeId, Address $to, bool $carryBelow): AddressChange
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
    public function changeAddress(string $placeId, int $version, Address $to, bool $carryBelow, Person $by): AddressChange
    {
        return $this->work->run(function () use ($placeId, $version, $to, $carryBelow, $by): AddressChange {
            $place = $this->locked($placeId, $version);
            if ($to->path === $place->address) {
                return new AddressChange([new Readdressed($place->id, $place->title, $to, $to)], [], [], [], []);
            }
            $change = $this->planAddress($placeId, $to, $carryBelow);
            $this->entities->getConnection()->executeStatement('SET CONSTRAINTS ALL DEFERRED');
            $place->address = $to->path;
            $this->sign($place, $by);
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

    public static function title(string $title): string
    {
        $title = trim((string) preg_replace('/\s+/u', ' ', $title));
        if ('' === $title) {
            throw new Refused('title', 'A place needs a title. Type one.');
        }
        if (mb_strlen($title) > Place::MAX_TITLE) {
            throw new Refused('title', \sprintf('A title has at most %d characters; this one has %d. Shorten it.', Place::MAX_TITLE, mb_strlen($title)));
        }

        return $title;
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

    private function locked(string $placeId, int $version): PlaceRecord
    {
        $place = $this->entities->find(PlaceRecord::class, $placeId, LockMode::PESSIMISTIC_WRITE) ?? throw NotThere::place();
        $this->entities->refresh($place);
        if ($place->version !== $version) {
            throw new Stale($place->version);
        }

        return $place;
    }

    private function sign(PlaceRecord $place, Person $by): void
    {
        $place->changedAt = $this->clock->now();
        $place->changedBy = $by->name;
    }
}

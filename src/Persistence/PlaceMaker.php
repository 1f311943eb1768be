<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Address\Address;
use Lantern\Core\Place\FirstAddress;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\Standing;
use Lantern\Core\Place\Title;
use Lantern\Core\Refused;
use Lantern\Persistence\Entity\PlaceRecord;
use Lantern\Persistence\Entity\WordsRecord;
use Lantern\Persistence\Journal\Person;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\UuidV7;

/** Makes places on the workbench. */
final readonly class PlaceMaker
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
     * @return string id of the new place
     *
     * @throws Refused
     */
    public function make(PlaceKind $kind, string $title, Standing $standing, Person $by): string
    {
        if (PlaceKind::File === $kind || !$kind->isMadeHere()) {
            throw new Refused('kind', PlaceKind::File === $kind ? 'A file is made by uploading it.' : \sprintf('A %s is not made here.', $kind->words()));
        }

        return $this->work->run(fn (): string => $this->add($kind, $title, $standing, $by)->id);
    }

    /** @throws Refused */
    public function makeFile(string $name, StoredFile $file, Person $by): string
    {
        return $this->work->run(function () use ($name, $file, $by): string {
            $place = $this->add(PlaceKind::File, $name, new Standing(null), $by);
            $place->title = Title::of(ucfirst(str_replace(['-', '_'], ' ', pathinfo($name, \PATHINFO_FILENAME))) ?: $name);
            $place->file = $file->toArray();

            return $place->id;
        });
    }

    /**
     * Other bytes at the same address.
     *
     * @throws Refused|Stale|NotThere
     */
    public function replaceFile(string $placeId, int $version, StoredFile $file, Person $by): void
    {
        $this->work->run(function () use ($placeId, $version, $file, $by): void {
            $place = $this->records->locked($placeId, $version);
            if (PlaceKind::File !== $place->kind || null === $place->file) {
                throw new Refused('file', 'Only a file can be replaced by another.');
            }
            if ($place->file['type'] !== $file->type->value) {
                throw new Refused('file', \sprintf('At %s visitors expect %s. Upload one of that type, or make a new file of this one.', $place->address, $place->file['type']));
            }
            $place->file = $file->toArray();
            $this->records->sign($place, $by);
        });
    }

    /**
     * Another place with the same words and listing. It gets an address of its own, and stays out of
     * menus and lists until it is made open.
     *
     * @throws Refused|NotThere
     */
    public function duplicate(string $placeId, Person $by): string
    {
        return $this->work->run(function () use ($placeId, $by): string {
            $from = $this->entities->find(PlaceRecord::class, $placeId) ?? throw NotThere::place();
            if (!$from->kind->isMadeHere() || PlaceKind::File === $from->kind) {
                throw new Refused('kind', \sprintf('A %s cannot be duplicated.', $from->kind->words()));
            }
            $copy = $this->add($from->kind, mb_substr("Copy of {$from->title}", 0, Title::MAX_LENGTH), new Standing($from->parentId), $by);
            $copy->light = Light::Quiet;
            foreach (['summary', 'picture', 'audience', 'listed', 'listingTitle', 'listingDescription', 'rule'] as $same) {
                $copy->$same = $from->$same;
            }
            $words = $this->entities->find(WordsRecord::class, $placeId);
            if (null !== $words) {
                $this->entities->persist(new WordsRecord($copy->id, $words->html));
            }
            $this->entities->flush();
            $this->entities->getConnection()->executeStatement('INSERT INTO pick (id, collection_id, product_id, position) SELECT gen_random_uuid(), ?, product_id, position FROM pick WHERE collection_id = ?', [$copy->id, $placeId]);

            return $copy->id;
        });
    }

    /**
     * Adds a place without ending the transaction that somebody else began.
     *
     * @throws Refused
     */
    public function add(PlaceKind $kind, string $title, Standing $standing, Person $by): PlaceRecord
    {
        $places = $this->copies->workbench->places;
        $standing = null === $standing->parentId && PlaceKind::Article === $kind ? new Standing($places->fixed(PlaceKind::Journal)?->id) : $standing;
        $title = Title::of($title);
        $standing->refuseWhatCannotBe($kind, null, $places);
        $parent = null === $standing->parentId ? null : $places->get($standing->parentId);
        $rules = $this->copies->workbench->rules;
        $address = FirstAddress::of($kind, $title, $parent, static fn (Address $one): bool => null !== $places->at($one) || $rules->hasOne($one));
        $place = new PlaceRecord((new UuidV7())->toRfc4122(), $kind, $title, $address->path);
        $place->parentId = $standing->parentId;
        $place->position = $places->lastPosition($kind, $standing->parentId) + 1;
        $place->publishedOn = PlaceKind::Article === $kind ? $this->clock->now()->setTime(0, 0) : null;
        $this->records->sign($place, $by);
        $this->entities->persist($place);
        // The next one made in the same breath has to see it.
        $this->entities->flush();

        return $place;
    }

    /** @param list<string> $placeIds */
    public function takeAway(array $placeIds): void
    {
        foreach ([WordsRecord::class, PlaceRecord::class] as $entity) {
            $this->entities->createQuery("DELETE $entity one WHERE one.id IN (:ids)")->execute(['ids' => $placeIds]);
        }
        $this->entities->getConnection()->executeStatement('DELETE FROM pick WHERE collection_id IN (?)', [$placeIds], [\Doctrine\DBAL\ArrayParameterType::STRING]);
    }
}

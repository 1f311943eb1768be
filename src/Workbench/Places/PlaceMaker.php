<?php

declare(strict_types=1);

namespace Lantern\Workbench\Places;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Address\Address;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Insert;
use Lantern\Core\Menu\Position;
use Lantern\Core\Menu\Together;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\FirstAddress;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\PlaceParent;
use Lantern\Core\Place\StoredFile;
use Lantern\Core\Place\Title;
use Lantern\Core\Refused;
use Lantern\Core\Stale;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\MenuMoves;
use Lantern\Workbench\Edits\Subject;
use Lantern\Workbench\Words\WordsRecord;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\UuidV7;

/** Makes places on the workbench. */
final readonly class PlaceMaker
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Locks $locks,
        private PlaceRecords $records,
        private Copies $copies,
        private EditLog $edits,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @return string id of the new place
     *
     * @throws Refused
     */
    public function make(PlaceKind $kind, string $title, PlaceParent $standing, Actor $by, Light $light = Light::Open): string
    {
        if (!$kind->isMadeFromTitle()) {
            throw new Refused(
                'kind',
                PlaceKind::File === $kind ? 'A file is made by uploading it.' : \sprintf('A %s is not made here.', $kind->words()),
            );
        }

        return $this->made($by, function () use ($kind, $title, $standing, $by, $light): PlaceRecord {
            $place = $this->add($kind, $title, $standing, $by);
            $place->light = $light;

            return $place;
        });
    }

    /** @throws Refused */
    public function makeFile(string $name, StoredFile $file, Actor $by): string
    {
        return $this->made($by, function () use ($name, $file, $by): PlaceRecord {
            $place = $this->add(PlaceKind::File, $name, new PlaceParent(null), $by);
            $place->title = Title::of(ucfirst(str_replace(['-', '_'], ' ', pathinfo($name, \PATHINFO_FILENAME))) ?: $name);
            $place->file = $file->stored();

            return $place;
        });
    }

    /**
     * Other bytes at the same address.
     *
     * @throws Refused|Stale|NotThere
     */
    public function replaceFile(string $placeId, int $version, StoredFile $file, Actor $by): void
    {
        $this->edits->run($by, Subject::Places, function () use ($placeId, $version, $file, $by): string {
            $place = $this->records->locked($placeId, $version);
            if (PlaceKind::File !== $place->kind || null === $place->file) {
                throw new Refused('file', 'Only a file can be replaced by another.');
            }
            if ($place->file['type'] !== $file->type->value) {
                throw new Refused(
                    'file',
                    \sprintf(
                        'At %s visitors expect %s. Upload one of that type, or make a new file of this one.',
                        $place->address,
                        $place->file['type'],
                    ),
                );
            }
            $place->file = $file->stored();
            $this->records->sign($place, $by);

            return \sprintf('The content of “%s”', $place->title);
        });
    }

    /**
     * Another place with the same words and listing. It gets an address of its own, and stays out of
     * menus and lists until it is made open.
     *
     * @throws Refused|NotThere
     */
    public function duplicate(string $placeId, Actor $by): string
    {
        return $this->made($by, function (MenuMoves $menus) use ($placeId, $by): PlaceRecord {
            $from = $this->entities->find(PlaceRecord::class, $placeId) ?? throw NotThere::place();
            if (!$from->kind->isMadeFromTitle()) {
                throw new Refused('kind', \sprintf('A %s cannot be duplicated.', $from->kind->words()));
            }
            $copy = $this->add(
                $from->kind,
                mb_substr("Copy of {$from->title}", 0, Title::MAX_LENGTH),
                new PlaceParent($from->parentId),
                $by,
            );
            $copy->light = Light::Quiet;
            foreach (['summary', 'picture', 'audience', 'listed', 'listingTitle', 'listingDescription', 'rule'] as $same) {
                $copy->$same = $from->$same;
            }
            $words = $this->entities->find(WordsRecord::class, $placeId);
            if (null !== $words) {
                $this->entities->persist(new WordsRecord($copy->id, $words->html));
            }
            $this->entities->flush();
            $this->entities->getConnection()->executeStatement(<<<'SQL'
                INSERT INTO pick (id, collection_id, product_id, position) SELECT gen_random_uuid(), ?, product_id, position FROM pick
                WHERE collection_id = ?
                SQL, [$copy->id, $placeId]);
            $this->duplicateLayout($placeId, $copy, $menus, $by);

            return $copy;
        });
    }

    /** What is laid out comes along, each piece as one of its own; where it leads stays. */
    private function duplicateLayout(string $placeId, PlaceRecord $copy, MenuMoves $menus, Actor $by): void
    {
        $layout = $this->copies->workbench->menus->tree($placeId);
        if (null === $layout->shape || [] === $layout->entries) {
            return;
        }
        $this->entities->getConnection()->executeStatement(<<<'SQL'
            INSERT INTO menu (id, name, kind, changed_at, changed_by) VALUES (?, ?, 'page', journal.moment(), ?)
            SQL, [$copy->id, $copy->title, $by->name]);
        $menus->make(
            $copy->id,
            new Together(array_map(
                static fn (int $n, Entry $band): Insert => new Insert(
                    $band->anew(static fn (): string => (new UuidV7())->toRfc4122()),
                    new Position(null, $n),
                ),
                array_keys($layout->entries),
                $layout->entries,
            )),
        );
    }

    /** @param \Closure(MenuMoves): PlaceRecord $make */
    private function made(Actor $by, \Closure $make): string
    {
        $id = '';
        $this->edits->run($by, Subject::Places, static function (MenuMoves $menus) use ($make, &$id): string {
            $place = $make($menus);
            $id = $place->id;

            return \sprintf('The new %s “%s”', $place->kind->words(), $place->title);
        });

        return $id;
    }

    /**
     * Adds a place without ending the transaction that somebody else began.
     *
     * @throws Refused
     */
    public function add(PlaceKind $kind, string $title, PlaceParent $standing, Actor $by): PlaceRecord
    {
        $this->locks->relations();
        $places = $this->copies->workbench->places;
        $standing = null === $standing->parentId && PlaceKind::Article === $kind
            ? new PlaceParent($places->fixed(PlaceKind::Journal)?->id)
            : $standing;
        $title = Title::of($title);
        $standing->refuseWhatCannotBe($kind, null, $places);
        $parent = null === $standing->parentId ? null : $places->get($standing->parentId);
        $rules = $this->copies->workbench->rules;
        $address = FirstAddress::of(
            $kind,
            $title,
            $parent,
            static fn (Address $one): bool => null !== $places->at($one) || $rules->hasOne($one),
        );
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
        $this->entities->getConnection()->executeStatement(
            'DELETE FROM pick WHERE collection_id IN (?)',
            [$placeIds],
            [\Doctrine\DBAL\ArrayParameterType::STRING],
        );
    }
}

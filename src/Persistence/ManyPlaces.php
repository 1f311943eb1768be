<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Answer\PlaceLookup;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\Revision;
use Lantern\Core\Place\SearchListing;
use Lantern\Core\Place\Standing;
use Lantern\Core\Refused;
use Lantern\Persistence\Journal\Person;
use Lantern\Persistence\Journal\PlaceStep;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\UuidV7;

/** Changes many places as one step, and takes the step back as one. */
final readonly class ManyPlaces
{
    public const MOST = 5000;

    public function __construct(
        private EntityManagerInterface $entities,
        private UnitOfWork $work,
        private Copies $copies,
        private ClockInterface $clock,
    ) {
    }

    /**
     * Gives all of them the same light, group or search listing. Either all change, or none.
     *
     * @param list<string> $placeIds
     * @param bool|null    $listed   null: stays as it is
     *
     * @throws Refused
     */
    public function change(array $placeIds, ?Light $light, ?Standing $standing, ?bool $listed, Person $by): PlaceStep
    {
        $placeIds = array_values(array_unique($placeIds));
        if ([] === $placeIds || \count($placeIds) > self::MOST) {
            throw new Refused('places', \sprintf('Choose from 1 to %s places at once.', number_format(self::MOST)));
        }

        return $this->work->run(function () use ($placeIds, $light, $standing, $listed, $by): PlaceStep {
            $connection = $this->entities->getConnection();
            $rows = $connection->fetchAllAssociative('SELECT *, version + 1 AS changed_version FROM place WHERE id IN (?) ORDER BY id FOR UPDATE', [$placeIds], [ArrayParameterType::STRING]);
            if (\count($rows) !== \count($placeIds)) {
                throw new Refused('places', 'Some of these places are no longer there. Look at the table again.');
            }
            $before = [];
            $places = new RememberedPlaces($this->copies->workbench->places);
            foreach ($rows as $columns) {
                $place = PlaceReader::fromRow($columns);
                $listing = null === $listed ? null : new SearchListing($listed, $place->listing->title, $place->listing->description);
                self::refuseWhatCannotBe($place, new Revision(light: $light, listing: $listing, standing: $standing), $places);
                $row = new Row($columns);
                $before[] = ['id' => $place->id, 'version' => $row->int('changed_version'), 'light' => $place->light->value, 'parent_id' => $place->parentId, 'listed' => $place->listing->listed];
            }
            $set = ['version = version + 1', 'changed_at = :now', 'changed_by = :by'];
            $values = ['now' => $this->clock->now()->format(\DATE_ATOM), 'by' => $by->name, 'ids' => $placeIds];
            if (null !== $light) {
                $set[] = 'light = :light';
                $values['light'] = $light->value;
            }
            if (null !== $standing) {
                $set[] = 'parent_id = CAST(:parent AS uuid)';
                $values['parent'] = $standing->parentId;
            }
            if (null !== $listed) {
                $set[] = 'listed = CAST(:listed AS boolean)';
                $values['listed'] = $listed ? 'true' : 'false';
            }
            $connection->executeStatement('UPDATE place SET '.implode(', ', $set).' WHERE id IN (:ids)', $values, ['ids' => ArrayParameterType::STRING]);

            return $this->note($by, $this->sentence(\count($rows), $light, $standing, $listed), ['rows' => $before]);
        });
    }

    /** @param array<string, mixed> $before */
    public function note(Person $by, string $sentence, array $before): PlaceStep
    {
        $step = new PlaceStep((new UuidV7())->toRfc4122(), $by->id, $sentence, $before);
        $this->entities->persist($step);

        return $step;
    }

    /**
     * A step of this person that was not taken back yet.
     *
     * @throws Refused|NotThere
     */
    public function step(string $stepId, Person $by): PlaceStep
    {
        $step = $this->entities->find(PlaceStep::class, $stepId);
        if (null === $step || $step->personId !== $by->id) {
            throw new NotThere('There is no such step of yours.');
        }
        if ($step->undone) {
            throw new Refused('step', 'This step was taken back already.');
        }

        return $step;
    }

    /**
     * Takes a step back, unless somebody changed one of its places since.
     *
     * @throws Refused
     */
    public function undo(PlaceStep $step, Person $by): PlaceStep
    {
        return $this->work->run(function () use ($step, $by): PlaceStep {
            $rows = Fields::of($step->before)->mapOr('rows', []);
            $undone = $this->entities->getConnection()->executeStatement(<<<'SQL'
                UPDATE place p SET light = b.light, parent_id = b.parent_id, listed = b.listed, version = p.version + 1, changed_at = :now, changed_by = :by
                FROM jsonb_to_recordset(CAST(:rows AS jsonb)) AS b(id uuid, version int, light text, parent_id uuid, listed boolean)
                WHERE p.id = b.id AND p.version = b.version
                SQL, ['rows' => json_encode($rows, \JSON_THROW_ON_ERROR), 'now' => $this->clock->now()->format(\DATE_ATOM), 'by' => $by->name]);
            if ((int) $undone !== \count($rows)) {
                throw new Refused('step', \sprintf('%d of these places changed since, so the step is not taken back. Change them one by one.', \count($rows) - (int) $undone));
            }
            $step->undone = true;

            return $step;
        });
    }

    private static function refuseWhatCannotBe(Place $place, Revision $revision, PlaceLookup $places): void
    {
        try {
            $revision->appliedTo($place, $places);
        } catch (Refused $refused) {
            throw new Refused($refused->field, "“{$place->title}”: {$refused->getMessage()} Nothing was changed.", $refused);
        }
    }

    private function sentence(int $count, ?Light $light, ?Standing $standing, ?bool $listed): string
    {
        $places = \sprintf('%d %s', $count, 1 === $count ? 'place' : 'places');
        $now = array_filter([
            null === $light ? '' : $light->value,
            null === $listed ? '' : ($listed ? 'listed by search engines' : 'kept out of search engines'),
            null === $standing ? '' : (null === $standing->parentId ? 'in no group' : 'in “'.$this->copies->workbench->places->get($standing->parentId)?->title.'”'),
        ]);

        return \sprintf('%s %s now %s.', $places, 1 === $count ? 'is' : 'are', implode(', ', $now));
    }
}

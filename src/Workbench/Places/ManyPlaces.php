<?php

declare(strict_types=1);

namespace Lantern\Workbench\Places;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\Closing;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceLookup;
use Lantern\Core\Place\PlaceParent;
use Lantern\Core\Place\Revision;
use Lantern\Core\Place\SearchListing;
use Lantern\Core\Refused;
use Lantern\Reading\Answers\RememberedPlaces;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\Subject;
use Psr\Clock\ClockInterface;

/** Changes many places as one edit. */
final readonly class ManyPlaces
{
    public const MOST = 5000;

    public function __construct(
        private EntityManagerInterface $entities,
        private EditLog $edits,
        private Locks $locks,
        private Copies $copies,
        private ClockInterface $clock,
    ) {
    }

    /**
     * Gives all of them the same light, group or search listing. Either all change, or none.
     *
     * @param list<string> $placeIds
     * @param bool|null    $listed   null: stays as it is
     * @param Closing|null $closing  where visitors go while they are closed; null: as each says already
     *
     * @throws Refused
     */
    public function change(array $placeIds, ?Light $light, ?PlaceParent $standing, ?bool $listed, Actor $by, ?Closing $closing = null): Edit
    {
        $placeIds = array_values(array_unique($placeIds));
        if ([] === $placeIds || \count($placeIds) > self::MOST) {
            throw new Refused('places', \sprintf('Choose from 1 to %s places at once.', number_format(self::MOST)));
        }

        return $this->edits->run($by, Subject::Places, function () use ($placeIds, $light, $standing, $listed, $by, $closing): string {
            $connection = $this->entities->getConnection();
            $this->locks->relations();
            $rows = $connection->fetchAllAssociative(<<<'SQL'
                SELECT * FROM place WHERE id IN (?) ORDER BY id FOR UPDATE
                SQL, [$placeIds], [ArrayParameterType::STRING]);
            if (\count($rows) !== \count($placeIds)) {
                throw new Refused('places', 'Some of these places are no longer there. Look at the table again.');
            }
            $places = new RememberedPlaces($this->copies->workbench->places);
            foreach ($rows as $columns) {
                $place = PlaceReader::fromRow($columns);
                $listing = null === $listed ? null : new SearchListing($listed, $place->listing->title, $place->listing->description);
                self::refuseWhatCannotBe(
                    $place,
                    new Revision(light: $light, closing: $closing, listing: $listing, standing: $standing),
                    $places,
                );
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
            if (null !== $closing) {
                array_push($set, 'closed_answer = :answer', 'closed_to = CAST(:to AS uuid)');
                $values += ['answer' => $closing->answer->value, 'to' => $closing->toPlaceId];
            }
            if (null !== $listed) {
                $set[] = 'listed = CAST(:listed AS boolean)';
                $values['listed'] = $listed ? 'true' : 'false';
            }
            $connection->executeStatement(
                'UPDATE place SET '.implode(', ', $set).' WHERE id IN (:ids)',
                $values,
                ['ids' => ArrayParameterType::STRING],
            );

            return $this->sentence(\count($rows), $light, $standing, $listed);
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

    private function sentence(int $count, ?Light $light, ?PlaceParent $standing, ?bool $listed): string
    {
        $places = \sprintf('%d %s', $count, 1 === $count ? 'place' : 'places');
        $now = array_filter([
            null === $light ? '' : $light->value,
            null === $listed ? '' : ($listed ? 'listed by search engines' : 'kept out of search engines'),
            null === $standing
                ? ''
                : (
                    null === $standing->parentId
                        ? 'in no group'
                        : 'in “'.$this->copies->workbench->places->get($standing->parentId)?->title.'”'
                ),
        ]);

        return \sprintf('%s %s now %s.', $places, 1 === $count ? 'is' : 'are', implode(', ', $now));
    }
}

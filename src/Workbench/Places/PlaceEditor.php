<?php

declare(strict_types=1);

namespace Lantern\Workbench\Places;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Impact\LightPlanner;
use Lantern\Core\Impact\NamedTree;
use Lantern\Core\Impact\Touch;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\CollectionRule;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\Revision;
use Lantern\Core\Refused;
use Lantern\Core\Stale;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Mentions\MentionReader;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\Subject;
use Lantern\Workbench\Edits\UnitOfWork;
use Lantern\Workbench\Words\CleanedWords;
use Lantern\Workbench\Words\WordsCleaner;
use Lantern\Workbench\Words\WordsRecord;
use Psr\Clock\ClockInterface;

/** Changes places of the workbench, their words and their products. Each change is one transaction. */
final readonly class PlaceEditor
{
    public const MAX_PICKS = 200;

    public function __construct(
        private EntityManagerInterface $entities,
        private UnitOfWork $work,
        private Locks $locks,
        private PlaceRecords $records,
        private Copies $copies,
        private WordsCleaner $cleaner,
        private MentionReader $mentions,
        private FileStore $files,
        private EditLog $edits,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param int $version of the place that the change was thought out for
     *
     * @throws Refused|Stale|NotThere
     */
    public function revise(string $placeId, int $version, Revision $revision, Actor $by): void
    {
        $this->edits->run($by, Subject::Places, function () use ($placeId, $version, $revision, $by): string {
            $before = $this->reviseWithin($placeId, $version, $revision, $by);

            return \sprintf('%s of “%s”', ucfirst(implode(' and ', $revision->words())), $before->title);
        });
    }

    /**
     * The same as part of another edit.
     *
     * @param int|null $version null: whatever it is by now
     *
     * @return Place as it was before
     *
     * @throws Refused|Stale|NotThere
     */
    public function reviseWithin(string $placeId, ?int $version, Revision $revision, Actor $by): Place
    {
        if (null !== $revision->standing || null !== $revision->closing) {
            $this->locks->relations();
        }
        $record = $this->records->locked($placeId, $version);
        $before = $this->place($placeId);
        $this->write($record, $revision->appliedTo($before, $this->copies->workbench->places), $revision);
        $this->records->sign($record, $by);

        return $before;
    }

    /**
     * What another light, other dates or another audience would touch, without changing anything.
     *
     * @return list<Touch>
     *
     * @throws Refused|NotThere
     */
    public function planLight(string $placeId, Revision $revision, int $visits): array
    {
        $workbench = $this->copies->workbench;
        $before = $this->place($placeId);
        $after = $revision->appliedTo($before, $workbench->places);
        $mentions = $this->mentions->of($before);
        $menus = $this->mentions->menusThatLeadTo($placeId);
        $elsewhere = array_map(
            static fn (Place $one): string => $one->address->path,
            $workbench->places->byIds(array_values(array_filter([$before->closedTo, $after->closedTo]))),
        );
        $now = $this->clock->now()->setTimezone($workbench->settings->zone());
        $trees = $workbench->menus->trees(array_keys($menus));
        $named = [];
        foreach ($trees as $id => $tree) {
            $named[] = new NamedTree($menus[$id], $tree);
        }
        $planner = new LightPlanner(
            $named,
            $workbench->places->referredToByMenus(array_keys($menus)),
            $mentions,
            $visits,
            $elsewhere,
            $workbench->fillings->candidates($trees, $now, $placeId),
        );

        return $planner->touchesForAll($before, $after, $now);
    }

    /**
     * An edit like any other, which undo takes back; words that are written as they are make none.
     *
     * @throws Refused|Stale|NotThere
     */
    public function writeWords(string $placeId, int $version, string $html, Actor $by): CleanedWords
    {
        return $this->work->run(function () use ($placeId, $version, $html, $by): CleanedWords {
            $place = $this->records->locked($placeId, $version);
            if (!$place->kind->hasWords()) {
                throw new Refused('html', \sprintf('A %s has no words of its own.', $place->kind->words()));
            }
            if ([] !== $this->copies->workbench->menus->tree($placeId)->entries) {
                throw new Refused(
                    'html',
                    \sprintf('“%s” is laid out in pieces by now, and shows those. Reload it, and write in one of them.', $place->title),
                );
            }
            $cleaned = $this->cleaner->clean($html);
            $words = $this->entities->find(WordsRecord::class, $placeId);
            if ($cleaned->words->html !== ($words->html ?? '')) {
                $this->edits->run($by, Subject::Places, function () use ($placeId, $place, $words, $cleaned, $by): string {
                    if (null === $words) {
                        $this->entities->persist(new WordsRecord($placeId, $cleaned->words->html));
                    } else {
                        $words->html = $cleaned->words->html;
                    }
                    $this->records->sign($place, $by);

                    return "“{$place->title}” has other words.";
                });
            }

            return $cleaned;
        });
    }

    /**
     * Gives the listing of a place filters of its own, or takes them back.
     *
     * @param list<string>|null $keys null: those of all listings
     *
     * @throws Refused|Stale|NotThere
     */
    public function filter(string $placeId, int $version, ?array $keys, Actor $by): void
    {
        $chosen = null === $keys ? '' : Filters::chosen($keys);
        $this->edits->run($by, Subject::Places, function () use ($placeId, $version, $chosen, $by): string {
            $record = $this->records->locked($placeId, $version);
            if (!$record->kind->canBeNarrowed()) {
                throw new Refused('filters', \sprintf('A %s lists no products that could be narrowed.', $record->kind->words()));
            }
            $record->filters = $chosen;
            $this->records->sign($record, $by);

            return '' === $chosen ? "“{$record->title}” has the filters of all listings." : "“{$record->title}” has filters of its own.";
        });
    }

    /**
     * The products that a collection shows, where they are picked by hand.
     *
     * @param list<string> $productIds in their order
     *
     * @throws Refused|Stale|NotThere
     */
    public function pick(string $collectionId, int $version, array $productIds, Actor $by): void
    {
        $this->edits->run($by, Subject::Places, function () use ($collectionId, $version, $productIds, $by): string {
            $place = $this->records->locked($collectionId, $version);
            if (PlaceKind::Collection !== $place->kind || 'hand' !== CollectionRule::fromStored($place->rule)->by) {
                throw new Refused('products', 'Only a collection that is picked by hand has products of its own choice.');
            }
            $productIds = array_values(array_unique($productIds));
            if (\count($productIds) > self::MAX_PICKS) {
                throw new Refused(
                    'products',
                    \sprintf(
                        'At most %d products are picked by hand. Give them a tag instead, and fill the collection by it.',
                        self::MAX_PICKS,
                    ),
                );
            }
            $there = array_filter(
                $this->copies->workbench->places->byIds($productIds),
                static fn (Place $one): bool => PlaceKind::Product === $one->kind,
            );
            if (\count($there) !== \count($productIds)) {
                throw new Refused('products', 'One of these products is no longer there. Look at the list again.');
            }
            $this->entities->getConnection()->executeStatement(<<<'SQL'
                WITH wanted AS (SELECT id::uuid AS product_id, nth - 1 AS position
                    FROM jsonb_array_elements_text(CAST(:ids AS jsonb)) WITH ORDINALITY AS one (id, nth)),
                gone AS (DELETE FROM pick WHERE collection_id = :collection AND product_id NOT IN (SELECT product_id FROM wanted)),
                moved AS (UPDATE pick k SET position = w.position FROM wanted w WHERE k.collection_id = :collection
                    AND k.product_id = w.product_id AND k.position <> w.position)
                INSERT INTO pick (id, collection_id, product_id, position)
                SELECT gen_random_uuid(), :collection, w.product_id, w.position FROM wanted w
                WHERE NOT EXISTS (SELECT FROM pick k WHERE k.collection_id = :collection AND k.product_id = w.product_id)
                SQL, ['ids' => json_encode($productIds, \JSON_THROW_ON_ERROR), 'collection' => $collectionId]);
            $this->records->sign($place, $by);

            return \sprintf('The products of “%s”', $place->title);
        });
    }

    /**
     * Puts a place among its siblings: before another one, or at their end.
     *
     * @throws Refused|Stale|NotThere
     */
    public function arrange(string $placeId, int $version, ?string $beforeId, Actor $by): void
    {
        $this->edits->run($by, Subject::Places, function () use ($placeId, $version, $beforeId, $by): string {
            $place = $this->records->locked($placeId, $version);
            $moved = $this->entities->getConnection()->executeStatement(<<<'SQL'
                WITH siblings AS (
                    SELECT id, row_number() OVER (ORDER BY position, title COLLATE by_name, id) * 2 AS stand
                    FROM place WHERE kind = :kind AND parent_id IS NOT DISTINCT FROM CAST(:parent AS uuid)
                ), wanted AS (
                    SELECT id, row_number() OVER (ORDER BY CASE WHEN id = :id THEN COALESCE((SELECT stand - 1 FROM siblings
                        WHERE id = CAST(:before AS uuid)), 2147483647) ELSE stand END) AS position FROM siblings
                )
                UPDATE place p SET position = w.position FROM wanted w WHERE p.id = w.id AND p.position <> w.position
                SQL, ['id' => $placeId, 'kind' => $place->kind->value, 'parent' => $place->parentId, 'before' => $beforeId]);
            if ($moved > 0) {
                $this->entities->refresh($place);
            }
            $this->records->sign($place, $by);

            return \sprintf('The stand of “%s”', $place->title);
        });
    }

    private function place(string $id): Place
    {
        return $this->copies->workbench->places->get($id) ?? throw NotThere::place();
    }

    private function write(PlaceRecord $record, Place $after, Revision $revision): void
    {
        $record->title = $after->title;
        $record->parentId = $after->parentId;
        $record->light = $after->light;
        $record->opensOn = $after->opening->from;
        $record->closesOn = $after->opening->until;
        $record->audience = $after->audience;
        $record->closedAnswer = $after->closedAnswer;
        $record->closedTo = $after->closedTo;
        $record->listed = $after->listing->listed;
        $record->listingTitle = $after->listing->title;
        $record->listingDescription = $after->listing->description;
        $record->serving = $after->serving;
        $record->summary = $revision->summary ?? $record->summary;
        $record->downloadName = $revision->downloadName ?? $record->downloadName;
        if (null !== $revision->rule) {
            $record->rule = $revision->rule->stored();
        }
        if (null !== $revision->picture) {
            $record->picture = '' === $revision->picture ? null : $this->files->knownPicture($revision->picture);
        }
    }
}

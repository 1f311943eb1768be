<?php

declare(strict_types=1);

namespace Lantern\Workbench\Places;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Impact\Removal;
use Lantern\Core\Impact\RemovalPlanner;
use Lantern\Core\Impact\VisitorForwarding;
use Lantern\Core\Menu\WithoutPlace;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Piece\Layout;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Place;
use Lantern\Core\Refused;
use Lantern\Core\Stale;
use Lantern\Core\Words\Words;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Mentions\MentionReader;
use Lantern\Reading\Places\PlaceTable;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\MenuMoves;
use Lantern\Workbench\Edits\Subject;
use Lantern\Workbench\Redirects\RedirectRows;
use Psr\Clock\ClockInterface;

/** Removes places from the workbench, with everything that led to them, as one edit. */
final readonly class PlaceRemover
{
    private const MOST_BELOW = 200;

    public function __construct(
        private EntityManagerInterface $entities,
        private EditLog $edits,
        private Locks $locks,
        private PlaceRecords $records,
        private PlaceMaker $maker,
        private RedirectRows $redirects,
        private WordsRewriter $words,
        private Copies $copies,
        private MentionReader $mentions,
        private PlaceTable $table,
        private ClockInterface $clock,
    ) {
    }

    /**
     * What it would do, without doing it.
     *
     * @throws Refused|NotThere
     */
    public function plan(string $placeId, VisitorForwarding $onward): Removal
    {
        $place = $this->place($placeId);
        $workbench = $this->copies->workbench;
        $live = $this->copies->live->places;
        $known = $live->get($placeId)?->address;
        // For visitors another place may stand where this one is now; it is found again.
        $others = [];
        $other = $live->at($place->address);
        if (null !== $other && $other->id !== $placeId && null !== $workbench->places->get($other->id)) {
            $others[$other->id] = $other->address;
        }

        return (new RemovalPlanner(
            $known,
            $workbench->rules->ofPlace($placeId, array_values(array_filter([$place->address, $known]))),
            $this->mentions->of($place),
            $this->table->one($placeId)->visits,
            $workbench->places->childrenOf($placeId, self::MOST_BELOW),
            $others,
            [] !== $this->copies->live->rules->sourcesAmong([$place->address]),
            null === $known ? null : $workbench->places->at($known),
        ))->plan($place, $onward, $this->clock->now());
    }

    /**
     * @param int|null $version of the place that this was thought out for; null: whatever it is by now
     *
     * @throws Refused|Stale|NotThere
     */
    public function remove(string $placeId, ?int $version, VisitorForwarding $onward, Actor $by): Edit
    {
        return $this->edits->run($by, Subject::Places, function (MenuMoves $menus) use ($placeId, $version, $onward, $by): string {
            $this->locks->relations();
            $this->records->locked($placeId, $version);
            $place = $this->place($placeId);
            $removal = $this->plan($placeId, $onward);
            $this->takeOutOfMenus($place, $onward->place, $menus);
            $this->words->rewrite(
                [$placeId],
                [$place->address->path],
                static fn (Words $words): Words => $words->withoutLinksTo($placeId, $place->address->path, $onward->place?->id),
                $by,
                $menus,
            );
            $this->settleOthers($place, $onward);
            $this->redirects->carryOut($removal->dropped, $removal->changed, $removal->made);
            $this->maker->takeAway([$placeId]);

            return \sprintf('“%s” is removed.', $place->title);
        });
    }

    private function place(string $id): Place
    {
        return $this->copies->workbench->places->get($id) ?? throw NotThere::place();
    }

    /** Menus lose it; what pages lead there with leads on, as the links in their texts do. */
    private function takeOutOfMenus(Place $place, ?Place $onward, MenuMoves $menus): void
    {
        foreach ($this->copies->workbench->menus->trees(
            array_keys($this->mentions->menusThatLeadTo($place->id, pages: true)),
        ) as $menuId => $tree) {
            $isPage = $tree->shape instanceof Layout && $tree->shape->isPage();
            $move = (new WithoutPlace($place->id, $place->title, $isPage ? $onward?->id : null))->move($tree);
            if (null !== $move) {
                $menus->make($menuId, $move);
            }
        }
    }

    /** Closed places that led here, and places that stood below. */
    private function settleOthers(Place $place, VisitorForwarding $onward): void
    {
        $connection = $this->entities->getConnection();
        $connection->executeStatement(<<<'SQL'
            UPDATE place SET parent_id = CAST(:parent AS uuid), version = version + 1 WHERE parent_id = :id
            SQL, ['id' => $place->id, 'parent' => $place->parentId]);
        $connection->executeStatement(<<<'SQL'
            UPDATE place SET version = version + 1,
                closed_to = CASE WHEN id = CAST(:to AS uuid) THEN NULL ELSE CAST(:to AS uuid) END,
                closed_answer = CASE WHEN closed_answer = 'elsewhere'
                    AND (CAST(:to AS uuid) IS NULL OR id = CAST(:to AS uuid)) THEN CAST(:answer AS text) ELSE closed_answer END
            WHERE closed_to = :id
            SQL, [
            'id' => $place->id,
            'to' => $onward->place?->id,
            'answer' => ($onward->gone ? ClosedAnswer::Gone : ClosedAnswer::NotFound)->value,
        ]);
    }
}

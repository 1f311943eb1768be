<?php

declare(strict_types=1);

namespace Lantern\Admin;

use Lantern\Admin\View\PlaceBrief;
use Lantern\Admin\View\PlaceRow;
use Lantern\Admin\View\PlaceSheet;
use Lantern\Core\Address\Slug;
use Lantern\Core\Place\Place;
use Lantern\Persistence\Copies;
use Lantern\Persistence\ListedPlace;
use Lantern\Persistence\PlaceTable;
use Psr\Clock\ClockInterface;

/** Places in the shapes of the API. */
final readonly class PlaceViews
{
    public function __construct(private PlaceTable $table, private Copies $copies, private ClockInterface $clock)
    {
    }

    public function brief(Place $place): PlaceBrief
    {
        return new PlaceBrief(
            $place->id,
            $place->kind->value,
            $place->kind->words(),
            $place->title,
            $place->address->path,
            $place->lightAt($this->clock->now())->value,
            $place->lightWords($this->clock->now()),
            $place->kind->mayClose(),
        );
    }

    public function row(ListedPlace $listed): PlaceRow
    {
        return new PlaceRow(
            $this->brief($listed->place),
            $listed->menus,
            $listed->place->listing->listed,
            $listed->visits,
            $listed->changedAt->format(\DATE_ATOM),
            $listed->changedBy,
        );
    }

    public function sheet(string $id): PlaceSheet
    {
        $listed = $this->table->one($id);
        $place = $listed->place;
        $parent = null === $place->parentId ? null : $this->copies->workbench->places->get($place->parentId);

        return new PlaceSheet(
            $this->brief($place),
            $listed->version,
            $listed->summary,
            null === $parent ? null : $this->brief($parent),
            $listed->menus,
            $listed->visits,
            $place->kind->hasPlacesBelow() ? $this->table->countBelow($place->address) : 0,
            $place->kind->isFixed(),
            $listed->liveAddress,
            $place->address->parent()->below(Slug::fromTitle($place->title, $place->kind->value)->text)->path,
            $this->table->outsideMentions($listed->liveAddress ?? $place->address->path),
            $place->listing->listed,
            $listed->changedAt->format(\DATE_ATOM),
            $listed->changedBy,
        );
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Admin\Place\PlaceViews;
use Lantern\Core\Filter\FilterKind;
use Lantern\Core\Filter\ListingQuery;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\NotThere;
use Lantern\Core\Place\Place;
use Lantern\Core\Visitor;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Listings\NarrowedListing;
use Psr\Clock\ClockInterface;

/** What an entry can lead to within a place, in the shape of the API. */
final readonly class PartsViews
{
    private const MOST_PARTS = 60;

    public function __construct(private Copies $copies, private PlaceViews $places, private ClockInterface $clock)
    {
    }

    public function of(string $placeId): PartsView
    {
        $workbench = $this->copies->workbench;
        $place = $workbench->places->get($placeId) ?? throw NotThere::place();

        return new PartsView(
            $this->places->anchors($workbench->shop->words($placeId)),
            $place->kind->canBeNarrowed(),
            $place->kind->canBeNarrowed() ? $this->narrowed($place) : [],
        );
    }

    /** @return list<NarrowedPartView> one for each choice of the filters of its listing */
    private function narrowed(Place $place): array
    {
        $listing = NarrowedListing::ofPlace(
            $this->copies->workbench,
            $place,
            $this->copies->workbench->shop->details($place->id),
            new ListingQuery(),
            Visitor::guest($this->clock->now()),
        );
        $parts = [];
        foreach ($listing->shown->filters as $filter) {
            foreach ($filter->choices as $choice) {
                $narrowing = FilterKind::Availability === $filter->filter->kind
                    ? new Narrowing(inStock: true)
                    : new Narrowing([$filter->filter->key() => [$choice->value]]);
                $parts[] = new NarrowedPartView(NarrowingView::of($narrowing, $listing->categories), $choice->label, $choice->count);
            }
        }

        return \array_slice($parts, 0, self::MOST_PARTS);
    }
}

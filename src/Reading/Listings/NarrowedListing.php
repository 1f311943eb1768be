<?php

declare(strict_types=1);

namespace Lantern\Reading\Listings;

use Lantern\Core\Filter\Filter;
use Lantern\Core\Filter\FilterKind;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\ListingQuery;
use Lantern\Core\Filter\ShownFilters;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Visitor;
use Lantern\Reading\Catalogue\Card;
use Lantern\Reading\Catalogue\Listing;
use Lantern\Reading\Copies\Copy;
use Lantern\Reading\Places\PlaceDetails;

/** A listing with what is chosen in its filters, and what they offer further. */
final readonly class NarrowedListing
{
    /**
     * @param ListingQuery         $query      what is known of what was asked
     * @param array<string, Place> $categories that may be chosen or are, by id
     */
    private function __construct(
        public Listing $listing,
        public ListingQuery $query,
        public Filters $filters,
        public ShownFilters $shown,
        public array $categories,
    ) {
    }

    /**
     * @param ListingQuery      $asked    with categories by their addresses
     * @param list<Filter>|null $offered  null: those of the listing; others are offered though they narrow nothing today
     * @param list<Card>|null   $children the categories that may be chosen, where they are known already
     */
    public static function ofPlace(
        Copy $copy,
        Place $place,
        PlaceDetails $details,
        ListingQuery $asked,
        Visitor $visitor,
        ?array $offered = null,
        ?array $children = null,
    ): self {
        $filters = Filters::of($copy->settings->all()->values);
        $listing = match ($place->kind) {
            PlaceKind::Category => Listing::ofCategory($place->id),
            PlaceKind::Collection => Listing::ofCollection($place->id, $details->rule),
            default => Listing::everything(),
        };
        $all = null !== $offered;
        $offered ??= $filters->ofPlace($details->filters);
        if (PlaceKind::Category === $place->kind && self::offersCategories($offered)) {
            $children ??= $copy->shop->below($place->id, $visitor, PlaceKind::Category);
        }

        return self::of($copy, $listing, $asked, $offered, $filters, $children, $visitor, $all);
    }

    /**
     * @param list<Filter>    $offered
     * @param list<Card>|null $children the categories that may be chosen; null: those that stand below no other
     */
    public static function of(
        Copy $copy,
        Listing $listing,
        ListingQuery $asked,
        array $offered,
        Filters $filters,
        ?array $children,
        Visitor $visitor,
        bool $all = false,
    ): self {
        if (self::offersCategories($offered)) {
            $children ??= $copy->shop->below(null, $visitor, PlaceKind::Category);
        }
        $narrowing = $copy->places->knowingCategories($asked->narrowing);
        $chosen = $copy->places->byIds($narrowing->categoryIds());
        // What does not open for a visitor has no name here, either.
        $open = array_filter($chosen, static fn (Place $one): bool => $one->opensFor($visitor));
        $query = $narrowing->isNone()
            ? $asked->knowing($narrowing)
            : $asked->knowing($copy->listings->known(
                $narrowing->callingCategories(array_combine(array_keys($open), array_keys($open))),
                $filters,
            ));
        $categories = [];
        foreach (self::offersCategories($offered) ? $children ?? [] : [] as $card) {
            $categories[$card->place->id] = $card->place;
        }
        $categories += $open;
        $counts = $copy->listings->counts($listing, $query->narrowing, $offered, $filters, array_keys($categories), $visitor);

        return new self(
            $listing,
            $query,
            $filters,
            ShownFilters::of(
                $counts,
                $query->narrowing,
                $offered,
                $filters,
                array_map(static fn (Place $one): string => $one->title, $categories),
                $all,
            ),
            $categories,
        );
    }

    /** @return array<string, string> the address of each category that is in play, without the first slash, by its id */
    public function addresses(): array
    {
        return array_map(static fn (Place $one): string => ltrim($one->address->path, '/'), $this->categories);
    }

    /** @param list<Filter> $filters */
    private static function offersCategories(array $filters): bool
    {
        return [] !== array_filter($filters, static fn (Filter $filter): bool => FilterKind::Category === $filter->kind);
    }
}

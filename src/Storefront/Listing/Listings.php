<?php

declare(strict_types=1);

namespace Lantern\Storefront\Listing;

use Lantern\Core\Filter\ListingQuery;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Reading\Catalogue\Card;
use Lantern\Reading\Listings\NarrowedListing;
use Lantern\Reading\Places\PlaceDetails;
use Lantern\Storefront\Http\Visit;

/** The listings of products on the pages of the shop. */
final readonly class Listings
{
    public const PAGE = 24;

    public static function asked(Visit $visit): ListingQuery
    {
        return ListingQuery::asked($visit->query());
    }

    /** @param list<Card> $children categories that stand directly below the place */
    public static function ofPlace(Visit $visit, Place $place, PlaceDetails $details, array $children): ShownListing
    {
        return self::page(
            $visit,
            $place,
            NarrowedListing::ofPlace(
                $visit->copy,
                $place,
                $details,
                self::asked($visit),
                $visit->visitor,
                null,
                PlaceKind::Collection === $place->kind ? null : $children,
            ),
        );
    }

    public static function page(Visit $visit, Place $place, NarrowedListing $narrowed): ShownListing
    {
        // An id that is nobody's begins no page: it is the first one, and says so.
        $after = null !== $narrowed->query->after && PlaceKind::Product === $visit->copy->places->get($narrowed->query->after)?->kind
            ? $narrowed->query->after
            : null;
        $query = $narrowed->query->from($after);
        $total = $narrowed->shown->total;
        $ids = 0 === $total
            ? []
            : $visit->copy->listings->page(
                $narrowed->listing,
                $narrowed->query->narrowing,
                $narrowed->filters,
                $query->order,
                $total,
                $after,
                self::PAGE,
                $visit->visitor,
            );
        $page = \array_slice($ids, 0, self::PAGE);
        $cards = $visit->copy->shop->cardsOf($page, $visit->visitor);

        return new ShownListing(
            $visit->prefix.$place->address->encoded(),
            $query,
            $narrowed->shown,
            array_values(array_filter(array_map(static fn (string $id): ?Card => $cards[$id] ?? null, $page))),
            \count($ids) > self::PAGE ? $page[self::PAGE - 1] : null,
            $narrowed->addresses(),
        );
    }
}

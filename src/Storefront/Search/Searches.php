<?php

declare(strict_types=1);

namespace Lantern\Storefront\Search;

use Lantern\Core\Address\SplitTarget;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Search\SearchWord;
use Lantern\Core\Search\SearchWords;
use Lantern\Node\Http\AnswerHeaders;
use Lantern\Reading\Catalogue\Card;
use Lantern\Reading\Catalogue\Listing;
use Lantern\Reading\Listings\NarrowedListing;
use Lantern\Reading\Search\Suggestion;
use Lantern\Storefront\Http\Visit;
use Lantern\Storefront\Listing\Listings;
use Lantern\Storefront\Listing\ShownListing;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

/** The search of the shop: what it finds, what it suggests, and words that lead to a place at once. */
final readonly class Searches
{
    public const SUGGESTIONS = '/-/suggestions';

    /**
     * What the page of the search shows.
     *
     * @return array{words: string, places: list<Card>, listing?: ShownListing}
     */
    public function found(Visit $visit, Place $place, Request $request): array
    {
        $copy = $visit->copy;
        $asked = Listings::asked($visit);
        $words = SearchWords::of($asked->words);
        if ($words->isNone()) {
            return ['words' => '', 'places' => []];
        }
        $filters = Filters::of($copy->settings->all()->values);
        $narrowed = NarrowedListing::of($copy, Listing::found($words), $asked, $filters->search, $filters, null, $visit->visitor);
        $ids = $copy->search->places($words, $visit->visitor);
        $places = $copy->shop->cardsOf($ids, $visit->visitor);
        if ($visit->isLive() && 0 === $narrowed->shown->total && [] === $ids && $asked->narrowing->isNone()) {
            $request->attributes->set(CountMissedSearches::MISSED, $words);
        }

        return [
            'words' => $words->typed,
            'places' => array_values(array_filter(array_map(static fn (string $id): ?Card => $places[$id] ?? null, $ids))),
            'listing' => Listings::page($visit, $place, $narrowed),
        ];
    }

    /** Where words lead at once that the shop has given a place; null where they are looked for. */
    public function leads(Visit $visit): ?Response
    {
        $words = SearchWords::of(Listings::asked($visit)->words);
        $id = $words->isNone() ? null : SearchWord::all($visit->copy->settings->all()->values)[$words->normal()] ?? null;
        $place = null === $id ? null : $visit->copy->places->get($id);

        return null === $place || PlaceKind::Search === $place->kind || !$place->opensFor($visit->visitor) ? null
            : new Response(
                '',
                302,
                [
                    'Location' => $visit->prefix.$place->address->encoded(),
                    'Cache-Control' => 'no-store',
                    'Referrer-Policy' => AnswerHeaders::REFERRER,
                ],
            );
    }

    /** What somebody who is still typing may mean, for a script. */
    public function suggest(Visit $visit, Request $request): ?Response
    {
        if (self::SUGGESTIONS !== SplitTarget::of($visit->target)->path) {
            return null;
        }
        $found = $visit->copy->search->suggestions(SearchWords::of(Listings::asked($visit)->words), $visit->visitor);

        return new JsonResponse(
            ['found' => array_map(
                static fn (Suggestion $one): array => [
                    'title' => $one->title,
                    'address' => $visit->prefix.$one->address,
                    'product' => $one->isProduct,
                ],
                $found,
            )],
            200,
            ['Cache-Control' => 'private, max-age=60', 'X-Robots-Tag' => 'noindex'],
        );
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Search;

use OpenApi\Attributes as OA;

/** What leads somewhere at once in the search of the shop, and what was not found there. */
#[OA\Schema]
final readonly class SearchView
{
    /**
     * @param list<SearchWordView>   $words
     * @param list<MissedSearchView> $missed
     */
    public function __construct(
        #[OA\Property]
        public int $version,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SearchWordView::class))]
        public array $words,
        #[OA\Property(description: 'Most often first', type: 'array', items: new OA\Items(ref: MissedSearchView::class))]
        public array $missed,
        #[OA\Property(description: 'Of how many days')]
        public int $days,
    ) {
    }
}

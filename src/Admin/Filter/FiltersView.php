<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use OpenApi\Attributes as OA;

/** Which filters the listings of the shop have, and which they could have. */
#[OA\Schema]
final readonly class FiltersView
{
    /**
     * @param list<FilterView>     $filters
     * @param list<string>         $everywhere
     * @param list<string>|null    $search
     * @param list<OwnFiltersView> $own
     */
    public function __construct(
        #[OA\Property]
        public int $version,
        #[OA\Property(description: 'All that there are', type: 'array', items: new OA\Items(ref: FilterView::class))]
        public array $filters,
        #[OA\Property(description: 'Keys of those of all listings, in their order', type: 'array', items: new OA\Items(type: 'string'))]
        public array $everywhere,
        #[OA\Property(
            description: 'The same of search results; null: those of all listings',
            type: 'array',
            items: new OA\Items(type: 'string'),
            nullable: true,
        )]
        public ?array $search,
        #[OA\Property(description: 'Places with filters of their own', type: 'array', items: new OA\Items(ref: OwnFiltersView::class))]
        public array $own,
    ) {
    }
}

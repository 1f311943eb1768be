<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** A page of the table of places. */
#[OA\Schema]
final readonly class PlacePage
{
    /**
     * @param list<PlaceRow> $rows
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: PlaceRow::class))]
        public array $rows,
        #[OA\Property(description: 'Ask for the next page with after=this')]
        public ?string $next,
    ) {
    }
}

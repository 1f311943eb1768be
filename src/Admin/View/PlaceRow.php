<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** A line of the table of places. */
#[OA\Schema]
final readonly class PlaceRow
{
    /**
     * @param list<string> $menus
     */
    public function __construct(
        public PlaceBrief $place,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $menus,
        public bool $listed,
        public int $visits,
        #[OA\Property(format: 'date-time')]
        public string $changedAt,
        public string $changedBy,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** A place as it is edited. */
#[OA\Schema]
final readonly class PlaceSheet
{
    /**
     * @param list<string> $menus
     * @param list<string> $outsideMentions
     */
    public function __construct(
        public PlaceBrief $place,
        public int $version,
        public string $summary,
        public ?PlaceBrief $parent,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $menus,
        public int $visits,
        public int $below,
        public bool $addressIsFixed,
        public ?string $liveAddress,
        public string $suggestedAddress,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $outsideMentions,
        public bool $listed,
        #[OA\Property(format: 'date-time')]
        public string $changedAt,
        public string $changedBy,
    ) {
    }
}

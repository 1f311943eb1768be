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
        #[OA\Property]
        public PlaceBrief $place,
        #[OA\Property]
        public int $version,
        #[OA\Property]
        public string $summary,
        #[OA\Property]
        public ?PlaceBrief $parent,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $menus,
        #[OA\Property]
        public int $visits,
        #[OA\Property]
        public int $below,
        #[OA\Property]
        public bool $addressIsFixed,
        #[OA\Property]
        public ?string $liveAddress,
        #[OA\Property]
        public string $suggestedAddress,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $outsideMentions,
        #[OA\Property]
        public bool $listed,
        #[OA\Property(format: 'date-time')]
        public string $changedAt,
        #[OA\Property]
        public string $changedBy,
    ) {
    }
}

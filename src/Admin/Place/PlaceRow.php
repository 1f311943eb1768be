<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** A line of the table of places. */
#[OA\Schema]
final readonly class PlaceRow
{
    /**
     * @param list<string> $menus
     */
    public function __construct(
        #[OA\Property]
        public PlaceBrief $place,
        #[OA\Property]
        public int $version,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $menus,
        #[OA\Property]
        public bool $listed,
        #[OA\Property(description: 'Fewest links from the front page; null: no links lead there, or it was not asked for')]
        public ?int $steps,
        #[OA\Property]
        public int $visits,
        #[OA\Property(format: 'date-time')]
        public string $changedAt,
        #[OA\Property]
        public string $changedBy,
        #[OA\Property]
        public bool $addressIsFixed,
        #[OA\Property(description: 'Made from the title, where the place stands')]
        public string $suggestedAddress,
        #[OA\Property(description: 'How many findings there are about it, or within its page')]
        public int $findings = 0,
        #[OA\Property(description: 'Of these, by which visitors find nothing')]
        public int $broken = 0,
    ) {
    }
}

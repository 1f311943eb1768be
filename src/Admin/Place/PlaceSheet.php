<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** A place as it is edited. */
#[OA\Schema]
final readonly class PlaceSheet
{
    /**
     * @param list<string>      $menus
     * @param list<string>|null $ownFilters
     */
    public function __construct(
        #[OA\Property]
        public PlaceBrief $place,
        #[OA\Property]
        public int $version,
        #[OA\Property(description: 'What was chosen, whatever the dates make of it today', enum: ['open', 'quiet', 'closed'])]
        public string $light,
        #[OA\Property(format: 'date-time')]
        public ?string $opensOn,
        #[OA\Property(format: 'date-time')]
        public ?string $closesOn,
        #[OA\Property(enum: ['everyone', 'guests', 'customers'])]
        public string $audience,
        #[OA\Property(enum: ['not-found', 'gone', 'elsewhere'])]
        public string $closedAnswer,
        #[OA\Property]
        public ?PlaceBrief $closedTo,
        #[OA\Property]
        public string $summary,
        #[OA\Property]
        public ?string $picture,
        #[OA\Property]
        public ListingView $listing,
        #[OA\Property(description: 'Of a collection')]
        public ?RuleView $rule,
        #[OA\Property]
        public ?FileView $file,
        #[OA\Property]
        public bool $hasWords,
        #[OA\Property(description: 'Whether what stands on its page is laid out in bands')]
        public bool $laidOut,
        #[OA\Property(description: 'How many a visitor would see listed on its page now; null where it lists nothing by itself')]
        public ?int $listedCount,
        #[OA\Property(
            description: 'Keys of the filters of its listing where it has its own; null: those of all listings, or none',
            type: 'array',
            items: new OA\Items(type: 'string'),
            nullable: true,
        )]
        public ?array $ownFilters,
        #[OA\Property(description: 'Whether its page lists products that visitors narrow')]
        public bool $canBeNarrowed,
        #[OA\Property]
        public ?PlaceBrief $parent,
        #[OA\Property(description: 'The kind of place it may stand below; null: none')]
        public ?string $parentKind,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $menus,
        #[OA\Property]
        public int $visits,
        #[OA\Property]
        public int $below,
        #[OA\Property]
        public bool $addressIsFixed,
        #[OA\Property]
        public bool $isMadeHere,
        #[OA\Property]
        public ?string $liveAddress,
        #[OA\Property]
        public string $suggestedAddress,
        #[OA\Property(format: 'date-time')]
        public string $changedAt,
        #[OA\Property]
        public string $changedBy,
    ) {
    }
}

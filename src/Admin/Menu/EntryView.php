<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Admin\Place\PlaceBrief;
use OpenApi\Attributes as OA;

/** A line of a menu as it is edited. */
#[OA\Schema]
final readonly class EntryView
{
    /**
     * @param list<AdviceView>      $advice
     * @param list<AlternativeView> $alternatives
     * @param list<EntryView>       $children
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property(description: 'What visitors read')]
        public string $label,
        #[OA\Property(description: 'Null where the label follows the title of the place')]
        public ?string $ownLabel,
        #[OA\Property]
        public TargetView $target,
        #[OA\Property]
        public ?PlaceBrief $place,
        #[OA\Property]
        public bool $enabled,
        #[OA\Property(enum: ['everyone', 'guests', 'customers'])]
        public string $audience,
        #[OA\Property(format: 'date-time')]
        public ?string $from,
        #[OA\Property(format: 'date-time')]
        public ?string $until,
        #[OA\Property]
        public bool $newTab,
        #[OA\Property]
        public string $note,
        #[OA\Property]
        public ?FillingView $filling,
        #[OA\Property(ref: '#/components/schemas/PieceInput', nullable: true, description: 'What it is in a page or panel; null: a link')]
        public ?object $piece,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: AdviceView::class),
            description: 'Of a band or panel: colours that are too pale',
        )]
        public array $advice,
        #[OA\Property(description: 'Whether a wide panel opens below it')]
        public bool $opensPanel,
        #[OA\Property(type: 'array', items: new OA\Items(ref: AlternativeView::class))]
        public array $alternatives,
        #[OA\Property(description: 'Why visitors do not get it')]
        public ?string $leftOut,
        #[OA\Property(description: 'Left out as a link, kept as a heading')]
        public bool $asHeading,
        #[OA\Property(type: 'array', items: new OA\Items(ref: self::class))]
        public array $children,
    ) {
    }
}

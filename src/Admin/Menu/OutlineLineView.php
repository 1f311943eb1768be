<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Admin\Place\PlaceBrief;
use OpenApi\Attributes as OA;

/** A line of a menu that comes from elsewhere, with what it was matched with. */
#[OA\Schema]
final readonly class OutlineLineView
{
    /**
     * @param list<PlaceMatchView> $matches
     */
    public function __construct(
        #[OA\Property]
        public int $line,
        #[OA\Property]
        public int $level,
        #[OA\Property]
        public string $label,
        #[OA\Property(description: 'Where it says it leads')]
        public string $lead,
        #[OA\Property(
            ref: '#/components/schemas/EntryInput',
            nullable: true,
            description: 'As it would go in; null where its target has to be chosen',
        )]
        public ?\stdClass $entry,
        #[OA\Property(ref: '#/components/schemas/EntryInput', nullable: true, description: 'The wide panel that it opens')]
        public ?\stdClass $panel,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PlaceMatchView::class))]
        public array $matches,
        #[OA\Property]
        public ?PlaceBrief $place,
        #[OA\Property]
        public ?string $problem,
    ) {
    }
}

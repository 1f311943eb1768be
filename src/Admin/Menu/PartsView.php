<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Admin\Place\AnchorView;
use OpenApi\Attributes as OA;

/** What an entry can lead to within a place. */
#[OA\Schema]
final readonly class PartsView
{
    /**
     * @param list<AnchorView>       $anchors
     * @param list<NarrowedPartView> $narrowed
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: AnchorView::class))]
        public array $anchors,
        #[OA\Property(description: 'Whether its products can be narrowed')]
        public bool $canBeNarrowed,
        #[OA\Property(
            description: 'What each choice of its filters leads to',
            type: 'array',
            items: new OA\Items(ref: NarrowedPartView::class),
        )]
        public array $narrowed,
    ) {
    }
}

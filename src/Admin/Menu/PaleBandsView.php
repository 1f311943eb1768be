<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** Where a ground of its own does not go with the looks of the workbench. */
#[OA\Schema]
final readonly class PaleBandsView
{
    /** @param list<PaleBandView> $bands */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: PaleBandView::class))]
        public array $bands,
    ) {
    }
}

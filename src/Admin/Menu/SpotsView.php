<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** Where a place can go into menus. */
#[OA\Schema]
final readonly class SpotsView
{
    /** @param list<SpotView> $spots */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: SpotView::class))]
        public array $spots,
    ) {
    }
}

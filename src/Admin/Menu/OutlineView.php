<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** A menu that comes from elsewhere, before it is added. */
#[OA\Schema]
final readonly class OutlineView
{
    /**
     * @param list<OutlineLineView> $lines
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: OutlineLineView::class))]
        public array $lines,
    ) {
    }
}

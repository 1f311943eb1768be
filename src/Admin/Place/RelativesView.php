<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** Places that the visitors of another could be led to, nearest first. */
#[OA\Schema]
final readonly class RelativesView
{
    /** @param list<RelativeView> $relatives */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: RelativeView::class))]
        public array $relatives,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class RelativeView
{
    public function __construct(
        #[OA\Property(ref: PlaceBrief::class)]
        public PlaceBrief $place,
        #[OA\Property(description: 'Why it is near, such as “shares 7 of its 9 products”')]
        public string $why,
    ) {
    }
}

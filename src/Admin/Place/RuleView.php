<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** How a collection comes by its products. */
#[OA\Schema]
final readonly class RuleView
{
    public function __construct(
        #[OA\Property(enum: ['hand', 'tag', 'reduced', 'newest', 'featured'])]
        public string $by,
        #[OA\Property]
        public string $tag,
    ) {
    }
}

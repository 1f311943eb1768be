<?php

declare(strict_types=1);

namespace Lantern\Admin\Preview;

use OpenApi\Attributes as OA;

/** Where the shop can be seen as one visitor would see it. */
#[OA\Schema]
final readonly class PreviewView
{
    public function __construct(
        #[OA\Property(description: 'Put a path of the shop behind it')]
        public string $url,
        #[OA\Property(format: 'date-time')]
        public string $expires,
    ) {
    }
}

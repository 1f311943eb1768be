<?php

declare(strict_types=1);

namespace Lantern\Admin\Letter;

use OpenApi\Attributes as OA;

/** Work that failed however often it was tried. */
#[OA\Schema]
final readonly class FailedView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property(description: 'What was to be done, such as “The invitation to nell@shop.example”')]
        public string $says,
        #[OA\Property(format: 'date-time', description: 'When it was tried the last time')]
        public string $at,
        #[OA\Property(description: 'What went wrong then')]
        public string $why,
    ) {
    }
}

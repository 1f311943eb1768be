<?php

declare(strict_types=1);

namespace Lantern\Admin\Letter;

use OpenApi\Attributes as OA;

/** What the stand-in of a mailing service was told. */
#[OA\Schema]
final readonly class ToldView
{
    public function __construct(
        #[OA\Property(enum: ['joined', 'left'])]
        public string $type,
        #[OA\Property]
        public string $list,
        #[OA\Property]
        public string $address,
        #[OA\Property(format: 'date-time')]
        public string $at,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use OpenApi\Attributes as OA;

/** Whether whoever is signed in is told in the morning what broke. */
#[OA\Schema]
final readonly class MorningMailView
{
    public function __construct(
        #[OA\Property]
        public bool $wanted,
    ) {
    }
}

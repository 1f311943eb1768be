<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class MorningMailInput
{
    public function __construct(
        #[OA\Property]
        public bool $wanted,
    ) {
    }
}

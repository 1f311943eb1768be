<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** A named blank, and the detail of the shop that fills it. */
#[OA\Schema]
final readonly class BlankView
{
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'Empty: nothing fills it yet')]
        public string $value,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** A detail of the shop. */
#[OA\Schema]
final readonly class DetailView
{
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $value,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** A part of a text that a link can lead to. */
#[OA\Schema]
final readonly class AnchorView
{
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $heading,
    ) {
    }
}

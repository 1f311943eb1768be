<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** A new place. */
#[OA\Schema]
final readonly class MadePlace
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $kind,
    ) {
    }
}

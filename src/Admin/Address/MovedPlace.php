<?php

declare(strict_types=1);

namespace Lantern\Admin\Address;

use OpenApi\Attributes as OA;

/** A place that gets another address. */
#[OA\Schema]
final readonly class MovedPlace
{
    public function __construct(
        #[OA\Property]
        public string $title,
        #[OA\Property]
        public string $from,
        #[OA\Property]
        public string $to,
    ) {
    }
}

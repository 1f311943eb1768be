<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** A place that gets another address. */
#[OA\Schema]
final readonly class MovedPlace
{
    public function __construct(
        public string $title,
        public string $from,
        public string $to,
    ) {
    }
}

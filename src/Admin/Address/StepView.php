<?php

declare(strict_types=1);

namespace Lantern\Admin\Address;

use OpenApi\Attributes as OA;

/** One step of a trail. */
#[OA\Schema]
final readonly class StepView
{
    public function __construct(
        #[OA\Property]
        public string $from,
        #[OA\Property]
        public string $why,
        #[OA\Property]
        public ?string $to,
    ) {
    }
}

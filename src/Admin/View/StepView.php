<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** One step of a trail. */
#[OA\Schema]
final readonly class StepView
{
    public function __construct(
        public string $from,
        public string $why,
        public ?string $to,
    ) {
    }
}

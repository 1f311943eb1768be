<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** One thing that a change reaches. */
#[OA\Schema]
final readonly class TouchView
{
    public function __construct(
        #[OA\Property]
        public string $sentence,
        #[OA\Property(description: 'Whether something that works now would not work any more')]
        public bool $breaks,
    ) {
    }
}

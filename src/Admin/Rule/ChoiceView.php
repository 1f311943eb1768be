<?php

declare(strict_types=1);

namespace Lantern\Admin\Rule;

use OpenApi\Attributes as OA;

/** One of several that can be chosen. */
#[OA\Schema]
final readonly class ChoiceView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $words,
    ) {
    }
}

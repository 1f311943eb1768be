<?php

declare(strict_types=1);

namespace Lantern\Admin\Redirect;

use OpenApi\Attributes as OA;

/** What becomes of a line of a file. */
#[OA\Schema]
final readonly class JudgedLineView
{
    public function __construct(
        #[OA\Property]
        public int $line,
        #[OA\Property]
        public string $source,
        #[OA\Property]
        public string $target,
        #[OA\Property(enum: ['added', 'already', 'refused'])]
        public string $fate,
        #[OA\Property]
        public string $words,
    ) {
    }
}

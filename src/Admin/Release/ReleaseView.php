<?php

declare(strict_types=1);

namespace Lantern\Admin\Release;

use OpenApi\Attributes as OA;

/** What was made live in one step. */
#[OA\Schema]
final readonly class ReleaseView
{
    public function __construct(
        #[OA\Property]
        public int $number,
        #[OA\Property(format: 'date-time')]
        public string $releasedAt,
        #[OA\Property]
        public string $releasedBy,
        #[OA\Property]
        public string $summary,
    ) {
    }
}

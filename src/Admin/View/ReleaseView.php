<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** What was made live in one step. */
#[OA\Schema]
final readonly class ReleaseView
{
    public function __construct(
        public int $number,
        #[OA\Property(format: 'date-time')]
        public string $releasedAt,
        public string $releasedBy,
        public string $summary,
    ) {
    }
}

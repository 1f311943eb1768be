<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;

/** A browser that one is signed in with. */
#[OA\Schema]
final readonly class OwnSessionView
{
    public function __construct(
        #[OA\Property(description: 'To end it by')]
        public string $id,
        #[OA\Property(description: 'Such as “Firefox on Windows”')]
        public string $browser,
        #[OA\Property]
        public string $network,
        #[OA\Property(format: 'date-time')]
        public string $begunAt,
        #[OA\Property(format: 'date-time')]
        public string $seenAt,
        #[OA\Property(description: 'Whether it is this one')]
        public bool $isThis,
    ) {
    }
}

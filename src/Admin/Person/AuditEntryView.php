<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;

/** One thing that was done. */
#[OA\Schema]
final readonly class AuditEntryView
{
    public function __construct(
        #[OA\Property]
        public int $id,
        #[OA\Property(format: 'date-time')]
        public string $at,
        #[OA\Property(description: 'Empty where nobody was signed in')]
        public string $person,
        #[OA\Property(description: 'Such as “Joss Tamblyn: from editor to publisher”')]
        public string $says,
        #[OA\Property]
        public string $network,
    ) {
    }
}

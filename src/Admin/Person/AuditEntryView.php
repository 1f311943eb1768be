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
        #[OA\Property(
            format: 'uuid',
            nullable: true,
            description: 'Who it was; two people may have one name. Null where nobody was signed in',
        )]
        public ?string $personId,
        #[OA\Property(description: 'As the person was called then')]
        public string $person,
        #[OA\Property(description: 'Such as “Joss Tamblyn: from editor to publisher”')]
        public string $says,
        #[OA\Property]
        public string $network,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;

/** That somebody asks for what waits to be published. */
#[OA\Schema]
final readonly class ReleaseRequestView
{
    public function __construct(
        #[OA\Property]
        public string $person,
        #[OA\Property]
        public string $note,
        #[OA\Property(format: 'date-time')]
        public string $at,
    ) {
    }
}

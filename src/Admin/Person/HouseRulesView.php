<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;

/** What the owners set for those who work here. */
#[OA\Schema]
final readonly class HouseRulesView
{
    public function __construct(
        #[OA\Property(description: 'Whether everybody needs a second factor')]
        public bool $requiresFactor,
        #[OA\Property(description: 'How long what was done is kept')]
        public int $auditDays,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;

/** What the owners set for those who work here. */
#[OA\Schema]
final readonly class HouseRulesInput
{
    public function __construct(
        #[OA\Property]
        public bool $requiresFactor,
        #[OA\Property]
        public int $auditDays,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use OpenApi\Attributes as OA;

/** That somebody wants a finding to stay as it is. */
#[OA\Schema]
final readonly class SetAsideView
{
    public function __construct(
        #[OA\Property]
        public string $reason,
        #[OA\Property]
        public string $person,
        #[OA\Property(format: 'date-time', description: 'Null: for good')]
        public ?string $until,
    ) {
    }
}

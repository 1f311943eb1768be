<?php

declare(strict_types=1);

namespace Lantern\Admin\Address;

use OpenApi\Attributes as OA;

/** One wanted address, judged. */
#[OA\Schema]
final readonly class WishView
{
    public function __construct(
        #[OA\Property]
        public string $place,
        #[OA\Property(description: 'The address in normal form; null where what was typed is none')]
        public ?string $address,
        #[OA\Property(description: 'Why it cannot be')]
        public ?string $problem,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** What somebody else wanted of an entry at the same time. */
#[OA\Schema]
final readonly class AlternativeView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property(description: 'Such as: calls it “Sale”')]
        public string $words,
        #[OA\Property]
        public string $person,
    ) {
    }
}

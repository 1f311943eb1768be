<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** An entry as the map draws it. */
#[OA\Schema]
final readonly class DrawnEntry
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $label,
        #[OA\Property(description: 'How many entries a visitor finds below it')]
        public int $below,
    ) {
    }
}

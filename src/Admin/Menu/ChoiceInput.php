<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class ChoiceInput
{
    public function __construct(
        #[OA\Property(description: 'Whether the other wish becomes true; else what stands is kept')]
        public bool $use,
    ) {
    }
}

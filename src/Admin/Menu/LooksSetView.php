<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** Looks under a name. */
#[OA\Schema]
final readonly class LooksSetView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $name,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string'))]
        public object $values,
        #[OA\Property(description: 'Whether it came with the program')]
        public bool $ships,
        #[OA\Property(description: 'Whether the workbench looks so now')]
        public bool $on,
    ) {
    }
}

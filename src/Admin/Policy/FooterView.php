<?php

declare(strict_types=1);

namespace Lantern\Admin\Policy;

use OpenApi\Attributes as OA;

/** A column of the footer. */
#[OA\Schema]
final readonly class FooterView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'Name of the menu that hangs there')]
        public ?string $menu,
    ) {
    }
}

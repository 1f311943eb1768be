<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** A colour of the looks that is not read on the ground of a band or panel. */
#[OA\Schema]
final readonly class PaleBandView
{
    public function __construct(
        #[OA\Property(description: 'Of the page or wide panel')]
        public string $menuId,
        #[OA\Property]
        public string $bandId,
        #[OA\Property(description: 'Of the page or wide panel')]
        public string $name,
        #[OA\Property(description: 'heading, text, link or pointed')]
        public string $colour,
        #[OA\Property]
        public string $words,
    ) {
    }
}

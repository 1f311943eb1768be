<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** A typeface that ships. */
#[OA\Schema]
final readonly class TypefaceView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $family,
        #[OA\Property(description: 'What kind of face it is')]
        public string $words,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** Where a new entry can go in. */
#[OA\Schema]
final readonly class SpotView
{
    public function __construct(
        #[OA\Property]
        public string $menuId,
        #[OA\Property(description: 'Of the menu, for If-Match')]
        public int $version,
        #[OA\Property(description: 'Id of the entry that it would stand below; null: on the first level')]
        public ?string $parentId,
        #[OA\Property]
        public int $index,
        #[OA\Property(description: 'Such as Header › Threads')]
        public string $words,
        #[OA\Property(description: 'Whether the place stands there already')]
        public bool $isThere,
        #[OA\Property(description: 'What it would do to the room in the header; empty where there is room')]
        public string $fit,
    ) {
    }
}

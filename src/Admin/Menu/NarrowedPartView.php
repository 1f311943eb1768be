<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** Some of the products of a place, by one choice of its filters. */
#[OA\Schema]
final readonly class NarrowedPartView
{
    public function __construct(
        #[OA\Property]
        public NarrowingView $narrowing,
        #[OA\Property(description: 'As the choice is called')]
        public string $label,
        #[OA\Property(description: 'How many they are')]
        public int $products,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** What the products of a place are narrowed to. */
#[OA\Schema]
final readonly class NarrowingView
{
    public function __construct(
        #[OA\Property]
        public string $tag,
        #[OA\Property(description: 'In the smallest unit of the currency')]
        public ?int $priceFrom,
        #[OA\Property]
        public ?int $priceTo,
        #[OA\Property]
        public bool $inStock,
        #[OA\Property]
        public string $option,
        #[OA\Property]
        public string $choice,
        #[OA\Property(description: 'As it is said beside a title')]
        public string $words,
    ) {
    }
}

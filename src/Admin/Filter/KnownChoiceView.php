<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use OpenApi\Attributes as OA;

/** A value that products have, and how the shop words it. */
#[OA\Schema]
final readonly class KnownChoiceView
{
    public function __construct(
        #[OA\Property(description: 'As an address has it; a category by its id')]
        public string $value,
        #[OA\Property(description: 'Its own name')]
        public string $title,
        #[OA\Property(description: 'What the shop calls it; empty: by its own name')]
        public string $label,
        #[OA\Property]
        public int $products,
        #[OA\Property(description: 'The value that stands for it; null: it stands for itself')]
        public ?string $standsAs,
    ) {
    }
}

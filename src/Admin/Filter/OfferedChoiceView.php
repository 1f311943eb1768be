<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use OpenApi\Attributes as OA;

/** A choice as visitors of a listing see it. */
#[OA\Schema]
final readonly class OfferedChoiceView
{
    public function __construct(
        #[OA\Property(description: 'A category by its id')]
        public string $value,
        #[OA\Property]
        public string $label,
        #[OA\Property(description: 'How many products choosing it would leave')]
        public int $products,
        #[OA\Property]
        public bool $chosen,
    ) {
    }
}

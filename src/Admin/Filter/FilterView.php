<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use OpenApi\Attributes as OA;

/** A filter that listings could have, and how it is worded. */
#[OA\Schema]
final readonly class FilterView
{
    /**
     * @param list<string> $byHand
     */
    public function __construct(
        #[OA\Property(description: 'Such as maker or option.Sheet size')]
        public string $key,
        #[OA\Property(enum: ['in-stock', 'price', 'category', 'maker', 'tag', 'option'])]
        public string $kind,
        #[OA\Property(description: 'The name of the property itself')]
        public string $title,
        #[OA\Property(description: 'What the shop calls it; empty: by its own name')]
        public string $label,
        #[OA\Property(description: 'How many choices there are in the product system')]
        public int $choices,
        #[OA\Property(enum: ['name', 'count', 'hand'])]
        public string $order,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $byHand,
    ) {
    }
}

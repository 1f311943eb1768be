<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use OpenApi\Attributes as OA;

/** A filter as visitors of a listing see it. */
#[OA\Schema]
final readonly class OfferedFilterView
{
    /**
     * @param list<OfferedChoiceView> $choices
     */
    public function __construct(
        #[OA\Property]
        public string $key,
        #[OA\Property]
        public string $label,
        #[OA\Property(type: 'array', items: new OA\Items(ref: OfferedChoiceView::class))]
        public array $choices,
        #[OA\Property(description: 'Of the price, in the smallest unit of the currency')]
        public ?int $lowest,
        #[OA\Property]
        public ?int $highest,
    ) {
    }
}

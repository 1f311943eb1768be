<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use OpenApi\Attributes as OA;

/** A listing of the workbench with something chosen: what is left, and what each filter offers then. */
#[OA\Schema]
final readonly class NarrowedView
{
    /**
     * @param list<OfferedFilterView> $filters
     */
    public function __construct(
        #[OA\Property(description: 'How many products a visitor would see')]
        public int $products,
        #[OA\Property(type: 'array', items: new OA\Items(ref: OfferedFilterView::class))]
        public array $filters,
        #[OA\Property(description: 'What is chosen and known, as the address of the listing has it behind `?`')]
        public string $chosen,
    ) {
    }
}

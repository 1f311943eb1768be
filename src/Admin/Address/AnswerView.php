<?php

declare(strict_types=1);

namespace Lantern\Admin\Address;

use Lantern\Admin\Place\PlaceBrief;
use OpenApi\Attributes as OA;

/** What the storefront answers at an address, and how it comes to it. */
#[OA\Schema]
final readonly class AnswerView
{
    /**
     * @param list<StepView> $trail
     */
    public function __construct(
        #[OA\Property]
        public int $status,
        #[OA\Property]
        public ?string $address,
        #[OA\Property]
        public ?string $location,
        #[OA\Property(type: 'array', items: new OA\Items(ref: StepView::class))]
        public array $trail,
        #[OA\Property]
        public ?PlaceBrief $place,
    ) {
    }
}

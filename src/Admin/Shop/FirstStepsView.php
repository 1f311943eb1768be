<?php

declare(strict_types=1);

namespace Lantern\Admin\Shop;

use OpenApi\Attributes as OA;

/** What a new shop needs before visitors come, in the order in which it is best done. */
#[OA\Schema]
final readonly class FirstStepsView
{
    /** @param list<FirstStepView> $steps */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: FirstStepView::class))]
        public array $steps,
        #[OA\Property(description: 'Whether somebody put them away')]
        public bool $isAway,
    ) {
    }
}

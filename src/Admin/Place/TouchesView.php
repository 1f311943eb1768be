<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** What a change would reach, told before it is made. */
#[OA\Schema]
final readonly class TouchesView
{
    /**
     * @param list<TouchView> $touches
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: TouchView::class))]
        public array $touches,
    ) {
    }
}

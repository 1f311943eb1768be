<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use OpenApi\Attributes as OA;

/** The picture of the shop. */
#[OA\Schema]
final readonly class MapView
{
    /** @param list<MappedPlaceView> $places */
    public function __construct(
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: MappedPlaceView::class),
            description: 'The front page first, then the most visited',
        )]
        public array $places,
    ) {
    }
}

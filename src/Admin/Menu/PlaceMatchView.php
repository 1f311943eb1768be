<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Admin\Place\PlaceBrief;
use OpenApi\Attributes as OA;

/** A place that a line could mean. */
#[OA\Schema]
final readonly class PlaceMatchView
{
    public function __construct(
        #[OA\Property]
        public PlaceBrief $place,
        #[OA\Property(enum: ['certain', 'likely', 'unsure'])]
        public string $sureness,
        #[OA\Property]
        public string $words,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use Lantern\Admin\Place\PlaceBrief;
use OpenApi\Attributes as OA;

/** A place whose listing has filters of its own. */
#[OA\Schema]
final readonly class OwnFiltersView
{
    /**
     * @param list<string> $filters
     */
    public function __construct(
        #[OA\Property]
        public PlaceBrief $place,
        #[OA\Property(description: 'Of the place')]
        public int $version,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $filters,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use OpenApi\Attributes as OA;

/** The last walk over the rendered shop, and what it saw that the link check does not know. */
#[OA\Schema]
final readonly class WalkView
{
    /** @param list<string> $faults */
    public function __construct(
        #[OA\Property(format: 'date-time')]
        public string $at,
        #[OA\Property]
        public int $pages,
        #[OA\Property]
        public int $links,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $faults,
    ) {
    }
}

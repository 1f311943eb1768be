<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** What typed words can mean besides a place. */
#[OA\Schema]
final readonly class TypedLeadView
{
    public function __construct(
        #[OA\Property(enum: ['outside', 'contact', 'heading'])]
        public string $kind,
        #[OA\Property(description: 'Of an outside address or a contact; else empty')]
        public string $uri,
        #[OA\Property]
        public string $label,
        #[OA\Property]
        public string $words,
    ) {
    }
}

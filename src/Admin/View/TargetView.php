<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** What an entry leads to. */
#[OA\Schema]
final readonly class TargetView
{
    public function __construct(
        #[OA\Property(enum: ['place', 'outside', 'contact', 'heading'])]
        public string $kind,
        #[OA\Property]
        public ?string $placeId,
        #[OA\Property]
        public string $part,
        #[OA\Property]
        public string $uri,
        #[OA\Property]
        public ?NarrowingView $narrowing,
    ) {
    }
}

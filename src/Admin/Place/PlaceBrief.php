<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** A place as far as a line of a list tells it. */
#[OA\Schema]
final readonly class PlaceBrief
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $kind,
        #[OA\Property]
        public string $kindWords,
        #[OA\Property]
        public string $title,
        #[OA\Property]
        public string $address,
        #[OA\Property(enum: ['open', 'quiet', 'closed'])]
        public string $light,
        #[OA\Property(description: 'What it is today, such as Open or Opens 1 March')]
        public string $lightWords,
        #[OA\Property(description: 'Whether it can be closed at all')]
        public bool $mayClose,
    ) {
    }
}

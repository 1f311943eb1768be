<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** A place as far as a line of a list tells it. */
#[OA\Schema]
final readonly class PlaceBrief
{
    public function __construct(
        public string $id,
        public string $kind,
        public string $kindWords,
        public string $title,
        public string $address,
        #[OA\Property(enum: ['open', 'quiet', 'closed'])]
        public string $light,
        #[OA\Property(description: 'What it is today, such as Open or Opens 1 March')]
        public string $lightWords,
    ) {
    }
}

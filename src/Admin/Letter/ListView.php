<?php

declare(strict_types=1);

namespace Lantern\Admin\Letter;

use OpenApi\Attributes as OA;

/** A list, with how many stand on it. */
#[OA\Schema]
final readonly class ListView
{
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property(description: 'Who said yes')]
        public int $confirmed,
        #[OA\Property(description: 'Who was asked and has not answered')]
        public int $asked,
        #[OA\Property(description: 'Who left')]
        public int $left,
    ) {
    }
}

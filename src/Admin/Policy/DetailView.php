<?php

declare(strict_types=1);

namespace Lantern\Admin\Policy;

use OpenApi\Attributes as OA;

/** A detail of the shop. */
#[OA\Schema]
final readonly class DetailView
{
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $value,
        #[OA\Property(description: 'Whether a blank in texts shows it')]
        public bool $fillsBlank,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Shop;

use Lantern\Core\Shop\FirstStep;
use OpenApi\Attributes as OA;

/** One thing that a new shop needs. */
#[OA\Schema]
final readonly class FirstStepView
{
    public function __construct(
        #[OA\Property(type: 'string', enum: FirstStep::class)]
        public string $id,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $says,
        #[OA\Property]
        public bool $isDone,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Preview;

use Lantern\Admin\Http\Eyes;
use Lantern\Admin\Http\Id;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class SeenQuery
{
    public function __construct(
        #[OA\Property]
        public Eyes $audience = Eyes::Guest,
        #[OA\Property(description: 'Now where nothing is said')]
        public ?\DateTimeImmutable $at = null,
        #[OA\Property(description: 'Id of the place that is looked at'), Id]
        public ?string $place = null,
    ) {
    }
}

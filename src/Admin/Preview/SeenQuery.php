<?php

declare(strict_types=1);

namespace Lantern\Admin\Preview;

use Lantern\Admin\Http\Id;
use Lantern\Admin\Http\PreviewAudience;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class SeenQuery
{
    public function __construct(
        #[OA\Property]
        public PreviewAudience $audience = PreviewAudience::Guest,
        #[OA\Property(description: 'Now where nothing is said')]
        public ?\DateTimeImmutable $at = null,
        #[OA\Property(description: 'Id of the place that is looked at'), Id]
        public ?string $place = null,
    ) {
    }
}

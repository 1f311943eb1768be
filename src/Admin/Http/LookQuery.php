<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use OpenApi\Attributes as OA;

/** With whose eyes, and when, to look at something. */
#[OA\Schema]
final readonly class LookQuery
{
    public function __construct(
        #[OA\Property]
        public PreviewAudience $audience = PreviewAudience::Guest,
        #[OA\Property(description: 'Now where nothing is said')]
        public ?\DateTimeImmutable $at = null,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Preview;

use Lantern\Admin\Http\PreviewAudience;
use Lantern\Core\Release\CopyName;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class PreviewInput
{
    public function __construct(
        #[OA\Property]
        public CopyName $copy = CopyName::Workbench,
        #[OA\Property]
        public PreviewAudience $audience = PreviewAudience::Guest,
        #[OA\Property(description: 'Always the present moment where nothing is said')]
        public ?\DateTimeImmutable $at = null,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use Lantern\Workbench\Findings\SetAsides;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** Why a finding may stay as it is, and until when. */
#[OA\Schema]
final readonly class SetAsideInput
{
    public function __construct(
        #[OA\Property, Assert\Length(max: SetAsides::MOST_WORDS)]
        public string $reason,
        #[OA\Property(format: 'date-time', description: 'Null: for good')]
        public ?\DateTimeImmutable $until = null,
    ) {
    }
}

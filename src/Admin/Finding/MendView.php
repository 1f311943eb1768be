<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use Lantern\Core\Finding\Mend;
use Lantern\Core\Finding\MendAsks;
use Lantern\Core\Finding\MendKind;
use OpenApi\Attributes as OA;

/** One way to put a finding right. */
#[OA\Schema]
final readonly class MendView
{
    public function __construct(
        #[OA\Property(type: 'string', enum: MendKind::class)]
        public string $id,
        #[OA\Property(description: 'Such as “Make it a reference”')]
        public string $says,
        #[OA\Property(description: 'What becomes different by it')]
        public string $touches,
        #[OA\Property(type: 'string', enum: MendAsks::class, description: 'What it needs to be told')]
        public string $asks,
        #[OA\Property(description: 'What it is called for many findings at once; null where each has to be looked at')]
        public ?string $together,
    ) {
    }

    public static function of(Mend $mend): self
    {
        return new self($mend->kind->value, $mend->says, $mend->touches, $mend->kind->asks()->value, $mend->together());
    }
}

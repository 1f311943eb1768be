<?php

declare(strict_types=1);

namespace Lantern\Admin\Release;

use Lantern\Reading\Releases\RowKey;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** Which part of what is very much. */
#[OA\Schema]
final readonly class PartQuery
{
    public function __construct(
        #[OA\Property(description: 'What the part before named as next; without it, the first'), Assert\Length(max: 120)]
        public ?string $after = null,
    ) {
    }

    public function after(): ?RowKey
    {
        return null === $this->after ? null : RowKey::parse($this->after);
    }
}

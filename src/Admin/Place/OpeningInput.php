<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Core\Place\Opening;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class OpeningInput
{
    public function __construct(
        #[OA\Property]
        public ?\DateTimeImmutable $from = null,
        #[OA\Property]
        public ?\DateTimeImmutable $until = null,
    ) {
    }

    /** @throws \Lantern\Core\Refused */
    public function opening(): Opening
    {
        return new Opening($this->from, $this->until);
    }
}

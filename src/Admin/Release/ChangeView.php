<?php

declare(strict_types=1);

namespace Lantern\Admin\Release;

use OpenApi\Attributes as OA;

/** Something that waits, or was released, in words. */
#[OA\Schema]
final readonly class ChangeView
{
    /**
     * @param list<string> $sentences
     */
    public function __construct(
        #[OA\Property(enum: ['menu', 'place', 'redirect', 'bay', 'setting'])]
        public string $kind,
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $name,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $sentences,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Edit;

use OpenApi\Attributes as OA;

/** A thing that changed. */
#[OA\Schema]
final readonly class ChangedView
{
    public function __construct(
        #[OA\Property(enum: ['place', 'menu', 'frame', 'redirect', 'mention', 'release'])]
        public string $about,
        #[OA\Property(description: 'Null: several, or the only one there is')]
        public ?string $id,
    ) {
    }
}

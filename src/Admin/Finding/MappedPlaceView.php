<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use OpenApi\Attributes as OA;

/** A place as it stands in the picture of the shop. */
#[OA\Schema]
final readonly class MappedPlaceView
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $title,
        #[OA\Property]
        public string $address,
        #[OA\Property(description: 'From the front page; null: no way leads there')]
        public ?int $steps,
        #[OA\Property(description: 'Id of the place above it, where that is in the picture')]
        public ?string $above,
        #[OA\Property(description: 'In 30 days')]
        public int $visits,
        #[OA\Property(description: 'How many findings its visitors meet')]
        public int $wrong,
    ) {
    }
}

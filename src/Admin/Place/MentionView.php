<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Core\Impact\MentionKind;
use OpenApi\Attributes as OA;

/** One link to a place, wherever it stands. */
#[OA\Schema]
final readonly class MentionView
{
    public function __construct(
        #[OA\Property(type: 'string', enum: MentionKind::class)]
        public MentionKind $kind,
        #[OA\Property]
        public string $where,
        #[OA\Property]
        public string $says,
        #[OA\Property(description: 'Of the menu, place, redirect or outside mention that holds it')]
        public ?string $id,
        #[OA\Property(description: 'The entry within the menu')]
        public ?string $spot,
    ) {
    }
}

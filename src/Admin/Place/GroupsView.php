<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use OpenApi\Attributes as OA;

/** The places that others stand below. */
#[OA\Schema]
final readonly class GroupsView
{
    /**
     * @param list<PlaceBrief> $groups
     * @param list<string> $tags
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: PlaceBrief::class))]
        public array $groups,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'The tags that products have')]
        public array $tags,
    ) {
    }
}

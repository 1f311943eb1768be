<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** A bay of the frame with what visitors see in it. */
#[OA\Schema]
final readonly class BayView
{
    /**
     * @param list<DrawnEntry> $entries
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $heading,
        #[OA\Property]
        public ?string $menuId,
        #[OA\Property(type: 'array', items: new OA\Items(ref: DrawnEntry::class))]
        public array $entries,
    ) {
    }
}

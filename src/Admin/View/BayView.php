<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** A bay of the frame with what visitors see in it. */
#[OA\Schema]
final readonly class BayView
{
    /**
     * @param list<DrawnEntry> $entries
     */
    public function __construct(
        public string $id,
        public string $words,
        public string $heading,
        public ?string $menuId,
        #[OA\Property(type: 'array', items: new OA\Items(ref: DrawnEntry::class))]
        public array $entries,
    ) {
    }
}

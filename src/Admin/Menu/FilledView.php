<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** A line that the shop put below a self-filling one, as it would be today. */
#[OA\Schema]
final readonly class FilledView
{
    /**
     * @param list<FilledView> $children
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $placeId,
        #[OA\Property]
        public string $label,
        #[OA\Property]
        public string $address,
        #[OA\Property(type: 'array', items: new OA\Items(ref: self::class))]
        public array $children,
    ) {
    }
}

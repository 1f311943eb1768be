<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Admin\Place\PlaceBrief;
use OpenApi\Attributes as OA;

/** How an entry fills itself. */
#[OA\Schema]
final readonly class FillingView
{
    /**
     * @param list<string> $leftOut
     * @param list<FilledView> $children
     * @param list<PlaceBrief> $leftOutPlaces
     */
    public function __construct(
        #[OA\Property(enum: ['pages', 'categories', 'products', 'newest'])]
        public string $source,
        #[OA\Property]
        public ?string $placeId,
        #[OA\Property(enum: ['product', 'page', 'article', 'collection'])]
        public ?string $kind,
        #[OA\Property]
        public int $depth,
        #[OA\Property]
        public int $most,
        #[OA\Property(enum: ['hand', 'name', 'price', 'newest'])]
        public string $order,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string'))]
        public \stdClass $labels,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $leftOut,
        #[OA\Property(description: 'In words')]
        public string $words,
        #[OA\Property(type: 'array', items: new OA\Items(ref: FilledView::class))]
        public array $children,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PlaceBrief::class))]
        public array $leftOutPlaces,
        #[OA\Property]
        public ?PlaceBrief $place,
    ) {
    }
}

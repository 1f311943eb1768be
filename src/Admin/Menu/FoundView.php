<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Admin\Place\PlaceRow;
use OpenApi\Attributes as OA;

/** What a few letters can mean. */
#[OA\Schema]
final readonly class FoundView
{
    /**
     * @param list<PlaceRow>      $rows
     * @param list<TypedLeadView> $leads
     * @param list<string>        $makes
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: PlaceRow::class), description: 'Places, likeliest first')]
        public array $rows,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: TypedLeadView::class),
            description: 'What the letters can mean besides a place',
        )]
        public array $leads,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(type: 'string'),
            description: 'Kinds of places that could be made with the letters as their title',
        )]
        public array $makes,
    ) {
    }
}

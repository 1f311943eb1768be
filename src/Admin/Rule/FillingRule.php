<?php

declare(strict_types=1);

namespace Lantern\Admin\Rule;

use OpenApi\Attributes as OA;

/** Something that an entry can fill itself with. */
#[OA\Schema]
final readonly class FillingRule
{
    /**
     * @param list<string> $placeKinds
     * @param list<string> $kinds
     * @param list<string> $orders
     */
    public function __construct(
        #[OA\Property(enum: ['pages', 'categories', 'products', 'newest'])]
        public string $source,
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'What the place is called that it comes from; empty: it comes from the whole shop')]
        public string $placeWords,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'Kinds of the place that it comes from')]
        public array $placeKinds,
        #[OA\Property(description: 'Whether a place has to be chosen first')]
        public bool $needsPlace,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(type: 'string', enum: ['page', 'article', 'product', 'collection']),
            description: 'Of which the newest can be shown',
        )]
        public array $kinds,
        #[OA\Property(description: 'How many levels can be shown')]
        public int $deepest,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string', enum: ['hand', 'name', 'price', 'newest']))]
        public array $orders,
        #[OA\Property(description: 'How many are shown at most, to begin with')]
        public int $most,
    ) {
    }
}

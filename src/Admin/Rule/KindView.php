<?php

declare(strict_types=1);

namespace Lantern\Admin\Rule;

use OpenApi\Attributes as OA;

/** A kind of place, and what holds for all of it. */
#[OA\Schema]
final readonly class KindView
{
    public function __construct(
        #[OA\Property(enum: [
            'page',
            'policy',
            'page-group',
            'category',
            'collection',
            'product',
            'journal',
            'article',
            'file',
            'front-page',
            'all-products',
            'all-collections',
            'search',
            'contact',
        ])]
        public string $kind,
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'The kind of place that one may stand below; null: none')]
        public ?string $above,
        #[OA\Property(description: 'Whether places of this kind are made here, from a title')]
        public bool $isMade,
        #[OA\Property(description: 'Whether there is always one, and only one')]
        public bool $isFixed,
        #[OA\Property(description: 'As which piece one naturally stands in a page')]
        public string $piece,
    ) {
    }
}

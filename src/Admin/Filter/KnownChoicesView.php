<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use OpenApi\Attributes as OA;

/** All choices of a filter, and which of them may mean the same. */
#[OA\Schema]
final readonly class KnownChoicesView
{
    /**
     * @param list<KnownChoiceView> $choices
     * @param list<list<string>>    $alike
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: KnownChoiceView::class))]
        public array $choices,
        #[OA\Property(
            description: 'Values that look the same',
            type: 'array',
            items: new OA\Items(type: 'array', items: new OA\Items(type: 'string')),
        )]
        public array $alike,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Search;

use Lantern\Admin\Place\PlaceBrief;
use OpenApi\Attributes as OA;

/** Words that lead whoever looks for them to a place at once. */
#[OA\Schema]
final readonly class SearchWordView
{
    public function __construct(
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'Null: it is no longer there, so they are looked for')]
        public ?PlaceBrief $place,
    ) {
    }
}

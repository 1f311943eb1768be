<?php

declare(strict_types=1);

namespace Lantern\Admin\Search;

use Lantern\Admin\Place\PlaceBrief;
use OpenApi\Attributes as OA;

/** What visitors looked for and did not find. */
#[OA\Schema]
final readonly class MissedSearchView
{
    public function __construct(
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public int $times,
        #[OA\Property(format: 'date')]
        public string $lastDay,
        #[OA\Property(description: 'Where it could lead')]
        public ?PlaceBrief $suggested,
    ) {
    }
}

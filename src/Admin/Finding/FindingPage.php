<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use OpenApi\Attributes as OA;

/** Findings of one kind, a page of them. */
#[OA\Schema]
final readonly class FindingPage
{
    /** @param list<FindingView> $findings */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: FindingView::class))]
        public array $findings,
        #[OA\Property(description: 'What the next page is asked for with; null where there is none')]
        public ?string $next,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** What waits to be published. */
#[OA\Schema]
final readonly class WaitingView
{
    /**
     * @param list<ChangeView> $changes
     */
    public function __construct(
        #[OA\Property]
        public int $count,
        #[OA\Property]
        public string $summary,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChangeView::class))]
        public array $changes,
        #[OA\Property(description: 'Redirects that wait besides those in changes')]
        public int $more,
    ) {
    }
}

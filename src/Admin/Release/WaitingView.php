<?php

declare(strict_types=1);

namespace Lantern\Admin\Release;

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
        #[OA\Property(description: 'Rows after these that were edited; some may have been put back')]
        public int $more,
        #[OA\Property(description: 'What the next part is asked for with; null where there is none')]
        public ?string $next,
        #[OA\Property(description: 'Names what is told here; publishing asks for it')]
        public string $state,
    ) {
    }
}

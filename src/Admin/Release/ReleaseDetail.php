<?php

declare(strict_types=1);

namespace Lantern\Admin\Release;

use OpenApi\Attributes as OA;

/** A release with what it changed. */
#[OA\Schema]
final readonly class ReleaseDetail
{
    /**
     * @param list<ChangeView> $changes
     */
    public function __construct(
        #[OA\Property]
        public ReleaseView $release,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChangeView::class))]
        public array $changes,
        #[OA\Property(description: 'What the next part is asked for with; null where there is none')]
        public ?string $next,
    ) {
    }
}

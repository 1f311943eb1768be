<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use OpenApi\Attributes as OA;

/** What was done, the latest first. */
#[OA\Schema]
final readonly class AuditView
{
    /** @param list<AuditEntryView> $entries */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: AuditEntryView::class))]
        public array $entries,
        #[OA\Property(description: 'What the next page is asked for with; null where there is none')]
        public ?int $next,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use OpenApi\Attributes as OA;

/** What is wrong, by what is wrong. */
#[OA\Schema]
final readonly class FindingsView
{
    /** @param list<GroupView> $groups */
    public function __construct(
        #[OA\Property(ref: OutlookView::class)]
        public OutlookView $outlook,
        #[OA\Property(type: 'array', items: new OA\Items(ref: GroupView::class))]
        public array $groups,
        #[OA\Property(ref: WalkView::class, nullable: true)]
        public ?WalkView $walk,
    ) {
    }
}

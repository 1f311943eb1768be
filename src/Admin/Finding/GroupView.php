<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use Lantern\Core\Finding\FindingKind;
use OpenApi\Attributes as OA;

/** The findings of one kind. */
#[OA\Schema]
final readonly class GroupView
{
    /** @param list<FindingView> $findings */
    public function __construct(
        #[OA\Property(type: 'string', enum: FindingKind::class)]
        public string $kind,
        #[OA\Property(description: 'Its heading')]
        public string $words,
        #[OA\Property]
        public bool $broken,
        #[OA\Property(description: 'Of all of them')]
        public int $count,
        #[OA\Property(description: 'How many visits meet any of them, in 30 days')]
        public int $visits,
        #[OA\Property(type: 'array', items: new OA\Items(ref: FindingView::class), description: 'The most visited')]
        public array $findings,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\View;

use OpenApi\Attributes as OA;

/** A menu as it is edited. */
#[OA\Schema]
final readonly class MenuView
{
    /**
     * @param list<string> $bays
     * @param list<EntryView> $entries
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public int $version,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $bays,
        #[OA\Property(type: 'array', items: new OA\Items(ref: EntryView::class))]
        public array $entries,
        #[OA\Property(description: 'How many levels a menu may have')]
        public int $maxDepth,
        #[OA\Property]
        public bool $canUndo,
        #[OA\Property]
        public bool $canRedo,
        #[OA\Property(format: 'date-time')]
        public string $changedAt,
        #[OA\Property]
        public string $changedBy,
    ) {
    }
}

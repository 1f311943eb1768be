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
        public string $id,
        public string $name,
        public int $version,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $bays,
        #[OA\Property(type: 'array', items: new OA\Items(ref: EntryView::class))]
        public array $entries,
        public bool $canUndo,
        public bool $canRedo,
        #[OA\Property(format: 'date-time')]
        public string $changedAt,
        public string $changedBy,
    ) {
    }
}

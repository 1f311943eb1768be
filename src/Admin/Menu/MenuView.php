<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

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
        #[OA\Property(
            enum: ['menu', 'page', 'panel', 'column'],
            description: 'What is laid out is a page, under the id of its place, a wide panel, under the id of its entry, or a column of '
                .'the footer',
        )]
        public string $kind,
        #[OA\Property(description: 'Where in the shop it is seen')]
        public string $path,
        #[OA\Property(description: 'Of a wide panel: the menu that its entry stands in')]
        public ?string $ofMenu,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $bays,
        #[OA\Property(type: 'array', items: new OA\Items(ref: EntryView::class))]
        public array $entries,
        #[OA\Property(description: 'Of a wide panel: what to know of its height; empty where all of it is seen')]
        public string $fit,
        #[OA\Property(description: 'Of a wide panel: how high it is on a desk, in pixels, as computed')]
        public ?int $height,
        #[OA\Property(description: 'How many levels a menu may have')]
        public int $maxDepth,
        #[OA\Property(format: 'date-time')]
        public string $changedAt,
        #[OA\Property]
        public string $changedBy,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** A bay of the frame with what visitors see in it. */
#[OA\Schema]
final readonly class BayView
{
    /**
     * @param list<DrawnEntry> $entries
     * @param list<DoubleView> $doubles
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $heading,
        #[OA\Property]
        public ?string $menuId,
        #[OA\Property(type: 'array', items: new OA\Items(ref: DrawnEntry::class))]
        public array $entries,
        #[OA\Property(description: 'Of the footer’s width, for one of its columns')]
        public int $share,
        #[OA\Property(enum: ['menu', 'column'], nullable: true, description: 'What hangs there: a menu, or a column of pieces')]
        public ?string $holds,
        #[OA\Property(description: 'For a bay beside the pages of a group: that group')]
        public ?string $beside,
        #[OA\Property(description: 'Whether it shows the pages of its group by itself')]
        public bool $fills,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: DoubleView::class),
            description: 'What visitors meet twice because it stands here, too',
        )]
        public array $doubles,
    ) {
    }
}

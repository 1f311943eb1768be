<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use OpenApi\Attributes as OA;

/** The frame of the shop, to be drawn as a map. */
#[OA\Schema]
final readonly class FrameView
{
    /**
     * @param list<BayView> $bays
     * @param list<MenuName> $menus
     * @param list<SeenVersion> $versions
     */
    public function __construct(
        #[OA\Property]
        public string $shopName,
        #[OA\Property]
        public string $notice,
        #[OA\Property(type: 'array', items: new OA\Items(ref: BayView::class))]
        public array $bays,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MenuName::class))]
        public array $menus,
        #[OA\Property(enum: ['categories', 'nothing'], description: 'What the header shows while no menu hangs in it')]
        public string $withoutMenu,
        #[OA\Property]
        public HeaderView $header,
        #[OA\Property(description: 'Empty: © and the company')]
        public string $lastLine,
        #[OA\Property]
        public LooksView $looks,
        #[OA\Property]
        public FitView $fit,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: SeenVersion::class),
            description: 'Of bays and settings, such as `bay:header` and `setting:notice`: to be sent as `seen` with a change of one of '
                .'them',
        )]
        public array $versions,
        #[OA\Property(description: 'Of the menu, the column or the bay that was just made')]
        public ?string $made = null,
    ) {
    }
}

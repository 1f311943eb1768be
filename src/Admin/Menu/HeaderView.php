<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Core\Shop\EntriesStand;
use Lantern\Core\Shop\HeaderForm;
use Lantern\Core\Shop\OpenMark;
use OpenApi\Attributes as OA;

/** How the header is made. */
#[OA\Schema]
final readonly class HeaderView
{
    public function __construct(
        #[OA\Property(type: 'string', enum: HeaderForm::class)]
        public string $form,
        #[OA\Property(type: 'string', enum: EntriesStand::class)]
        public string $entries,
        #[OA\Property(type: 'string', enum: OpenMark::class)]
        public string $mark,
        #[OA\Property(description: 'Width of the window below which the drawer takes over, in pixels, where somebody has chosen it')]
        public ?int $drawerBelow,
        #[OA\Property(description: 'The width at which it does')]
        public int $takesOverBelow,
        #[OA\Property(description: 'Whether it stays in sight while the page goes by')]
        public bool $stays,
        #[OA\Property(description: 'Whether dropdowns fade in')]
        public bool $fades,
        #[OA\Property(enum: ['hover', 'click'], description: 'How dropdowns open for a mouse')]
        public string $opens,
        #[OA\Property(description: 'Width of the window below which the drawer takes over where one points with a finger; null: as '
            .'elsewhere')]
        public ?int $tabletBelow,
        #[OA\Property(description: 'The shop’s own mark as SVG; empty: none is drawn')]
        public string $markDrawn,
        #[OA\Property(description: 'Another one while it is open')]
        public string $markOpen,
        #[OA\Property(description: 'Whether the second row stands below the first')]
        public bool $secondBelow,
        #[OA\Property(description: 'Picture that stands for the name; null: the name')]
        public ?string $wordmark,
        #[OA\Property]
        public string $wordmarkWords,
    ) {
    }
}

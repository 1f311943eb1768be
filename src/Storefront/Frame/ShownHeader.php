<?php

declare(strict_types=1);

namespace Lantern\Storefront\Frame;

use Lantern\Core\Shop\HeaderShape;

/** How the header is made, and the styles that say from which width on. */
final readonly class ShownHeader
{
    public string $styles;

    /** @param int $drawerBelow width of the window, in pixels, below which the drawer takes over */
    public function __construct(public HeaderShape $shape, int $drawerBelow)
    {
        $tablet = $shape->tabletBelow ?? $drawerBelow;
        // Who points with a finger has another width (Media Queries 4, 6.1).
        $row = $tablet === $drawerBelow
            ? "(min-width:{$drawerBelow}px)"
            : "(min-width:{$drawerBelow}px) and (not (pointer:coarse)),(min-width:{$tablet}px) and (pointer:coarse)";
        $this->styles = '.desk-menu,.tools{display:none}.drawer{display:block}@media '
            ."$row{.desk-menu{display:block}.tools{display:flex}.drawer,.drawer__tools{display:none}}";
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Core\Shop\HeaderShape;

/** How the header is made, and the styles that say from which width on. */
final readonly class ShownHeader
{
    public string $styles;

    /** @param int $drawerBelow width of the window, in pixels, below which the drawer takes over */
    public function __construct(public HeaderShape $shape, int $drawerBelow)
    {
        $row = "(min-width:{$drawerBelow}px)";
        $this->styles = "@media not all and $row{.desk-menu,.tools{display:none}.drawer{display:block}}@media $row{.drawer__tools{display:none}}";
    }
}

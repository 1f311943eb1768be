<?php

declare(strict_types=1);

namespace Lantern\Core\Shop;

/** How the header shows its entries on a desk. */
enum HeaderForm: string
{
    case Row = 'row';
    case Drawer = 'drawer';
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Shop;

/** What is beside an entry of the header that opens something. */
enum OpenMark: string
{
    case Angle = 'angle';
    case Plus = 'plus';
    case Dot = 'dot';
    /** As the shop drew it. */
    case Drawn = 'drawn';
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Shop;

/** Where the entries of the header stand between its word mark and what is at its end. */
enum EntriesStand: string
{
    case Start = 'start';
    case Middle = 'middle';
    case End = 'end';
    case Stretched = 'stretched';
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** How wide something is laid out. */
enum BandWidth: string
{
    /** As wide as a line is read with ease; for a panel, as its columns need. */
    case Text = 'text';
    case Page = 'page';
    case Window = 'window';
}

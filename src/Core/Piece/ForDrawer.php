<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** A piece of a wide panel that the phone's drawer leaves out, or lists, unless it says otherwise. */
interface ForDrawer
{
    /** Whether the drawer shows it as it is. */
    public function isInDrawer(): bool;
}

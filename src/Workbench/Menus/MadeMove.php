<?php

declare(strict_types=1);

namespace Lantern\Workbench\Menus;

use Lantern\Core\Menu\Move;

/** A move that was made in a menu. */
final readonly class MadeMove
{
    /**
     * @param int  $version of the menu that it led to
     * @param Move $move    what was done, after whatever others did meanwhile
     * @param Move $inverse what leads back from there
     */
    public function __construct(public int $version, public Move $move, public Move $inverse)
    {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Reading\Spots;

use Lantern\Core\Menu\Spot;

/** A spot in a menu of the workbench, with what the place would do there. */
final readonly class FoundSpot
{
    /**
     * @param int    $version of the menu
     * @param bool   $isThere whether the place stands at this spot already
     * @param string $fit     what it would do to the room in the header; empty where there is room
     */
    public function __construct(public string $menuId, public int $version, public Spot $spot, public bool $isThere, public string $fit)
    {
    }
}

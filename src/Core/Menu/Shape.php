<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** What may stand where in a tree that is no plain menu: the body of a page, a wide panel. */
interface Shape
{
    /**
     * @param list<Entry> $entries the first level, with all below it
     *
     * @throws \Lantern\Core\Refused where something stands where it cannot
     */
    public function check(array $entries): void;

    /** How many levels there can be. */
    public function maxDepth(): int;
}

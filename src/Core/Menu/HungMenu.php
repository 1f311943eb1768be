<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** A bay with what a visitor sees in it. */
final readonly class HungMenu
{
    public function __construct(public Bay $bay, public ResolvedMenu $menu)
    {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** What an entry leads to: one of the classes of this folder that implement it. */
interface Target
{
    public function equals(self $other): bool;
}

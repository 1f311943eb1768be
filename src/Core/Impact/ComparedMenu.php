<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Menu\ResolvedMenu;

/** One menu, as a guest gets it today and as another visitor does at another moment. */
final readonly class ComparedMenu
{
    public function __construct(public string $name, public ResolvedMenu $today, public ResolvedMenu $then)
    {
    }
}

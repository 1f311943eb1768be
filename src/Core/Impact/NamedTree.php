<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Menu\Tree;

/** A menu by the name that people know it by. */
final readonly class NamedTree
{
    public function __construct(public string $name, public Tree $tree)
    {
    }
}

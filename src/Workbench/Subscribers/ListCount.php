<?php

declare(strict_types=1);

namespace Lantern\Workbench\Subscribers;

/** How many stand on a list, by how they do. */
final readonly class ListCount
{
    public function __construct(public string $list, public int $confirmed, public int $asked, public int $left)
    {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Where an entry stands: below which parent (null: the first level), as which of its children, counted from 0. */
final readonly class Position
{
    public function __construct(public ?string $parentId, public int $index)
    {
    }
}

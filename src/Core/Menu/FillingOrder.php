<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** The order in which a self-filling entry shows its children. */
enum FillingOrder: string
{
    /** As they were put by hand. */
    case Hand = 'hand';
    case Name = 'name';
    /** Cheapest first; products only. */
    case Price = 'price';
    case Newest = 'newest';
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

enum Direction: string
{
    case Up = 'up';
    case Down = 'down';
    /** One level in: below the entry before it. */
    case In = 'in';
    /** One level out: after what was its parent. */
    case Out = 'out';
}

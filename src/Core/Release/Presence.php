<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

/** In which of two copies a thing is. */
enum Presence
{
    case New;
    case Removed;
    case Both;
}

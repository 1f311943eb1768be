<?php

declare(strict_types=1);

namespace Lantern\Core\Looks;

/** What lies below a button. */
enum Shadow: string
{
    case None = 'none';
    case Soft = 'soft';
    case Deep = 'deep';
}

<?php

declare(strict_types=1);

namespace Lantern\Persistence;

enum CopyName: string
{
    case Live = 'live';
    case Workbench = 'workbench';
}

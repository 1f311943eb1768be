<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

enum CopyName: string
{
    case Live = 'live';
    case Workbench = 'workbench';
}

<?php

declare(strict_types=1);

namespace Lantern\Reading\Findings;

/** Which findings are wanted. */
enum CopyFilter: string
{
    case Live = 'live';
    case Workbench = 'workbench';
    /** What publishing would break, or bring. */
    case Comes = 'comes';
    /** What publishing would put right. */
    case Goes = 'goes';
}

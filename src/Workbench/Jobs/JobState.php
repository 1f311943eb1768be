<?php

declare(strict_types=1);

namespace Lantern\Workbench\Jobs;

enum JobState: string
{
    case Waiting = 'waiting';
    case Running = 'running';
    case Done = 'done';
    case Failed = 'failed';
    case Stopped = 'stopped';

    /** Whether something will still come of it. */
    public function goesOn(): bool
    {
        return self::Waiting === $this || self::Running === $this;
    }
}

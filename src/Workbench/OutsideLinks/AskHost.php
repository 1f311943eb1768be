<?php

declare(strict_types=1);

namespace Lantern\Workbench\OutsideLinks;

/** To be done by a worker: one link to a host is asked, and then the next, as long as the job goes on. */
final readonly class AskHost
{
    public function __construct(public string $jobId, public string $host)
    {
    }
}

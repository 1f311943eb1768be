<?php

declare(strict_types=1);

namespace Lantern\Workbench\Jobs;

/** Tells a worker that a job waits. */
final readonly class DoJob
{
    public function __construct(public string $id)
    {
    }
}

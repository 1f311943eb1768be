<?php

declare(strict_types=1);

namespace Lantern\Workbench\Jobs;

use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\UnitOfWork;

/** A job that makes one edit: that it was made and that the job is done are kept together. */
final readonly class EditOfJob
{
    public function __construct(private Jobs $jobs, private UnitOfWork $work)
    {
    }

    /** @param \Closure(): Edit $make */
    public function run(Job $job, \Closure $make): void
    {
        $this->work->run(function () use ($job, $make): void {
            $edit = $make();
            $this->jobs->end($job->id, JobState::Done, ['edit' => $edit->id, 'sentence' => $edit->sentence]);
        });
    }
}

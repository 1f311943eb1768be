<?php

declare(strict_types=1);

namespace Lantern\Workbench\Publishing;

use Lantern\Core\Person\Actor;
use Lantern\Core\Person\Role;
use Lantern\Workbench\Edits\Progress;
use Lantern\Workbench\Jobs\Job;
use Lantern\Workbench\Jobs\JobKind;
use Lantern\Workbench\Jobs\Jobs;
use Lantern\Workbench\Jobs\JobState;
use Lantern\Workbench\Jobs\KindOfJob;

/** Publishes what waits, where it is so much that nobody wants to wait for it. */
final readonly class PublishJob implements KindOfJob
{
    public function __construct(private Publisher $publisher, private Jobs $jobs)
    {
    }

    public function kind(): JobKind
    {
        return JobKind::Publish;
    }

    public function mayBeDoneBy(Role $role): bool
    {
        return $role->mayPublish();
    }

    public function do(Job $job, Actor $by, Progress $progress): void
    {
        $seen = $job->input['seen'] ?? null;
        $number = $this->publisher->publish(
            $by,
            \is_string($seen) ? $seen : null,
            $progress,
            fn (int $number) => $this->jobs->end($job->id, JobState::Done, ['number' => $number]),
        );
        if (null === $number) {
            $this->jobs->end($job->id, JobState::Done, ['number' => null]);
        }
    }
}

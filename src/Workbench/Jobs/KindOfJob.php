<?php

declare(strict_types=1);

namespace Lantern\Workbench\Jobs;

use Lantern\Core\Person\Actor;
use Lantern\Core\Person\Role;
use Lantern\Workbench\Edits\Progress;
use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** How one kind of job is done. Whoever implements this is found by JobWorker; the kind itself is a case of JobKind. */
#[AutoconfigureTag(self::class)]
interface KindOfJob
{
    public function kind(): JobKind;

    /** Asked again when it is done: whoever asked for it may do less by then. */
    public function mayBeDoneBy(Role $role): bool;

    /**
     * Does the job, and ends it in the transaction in which it was done.
     *
     * @throws \Throwable what was refused is told to whoever asked; anything else is logged, and the job has failed
     */
    public function do(Job $job, Actor $by, Progress $progress): void;
}

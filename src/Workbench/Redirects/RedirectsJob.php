<?php

declare(strict_types=1);

namespace Lantern\Workbench\Redirects;

use Lantern\Core\Person\Actor;
use Lantern\Core\Person\Role;
use Lantern\Interchange\Csv\RedirectCsv;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\Progress;
use Lantern\Workbench\Jobs\EditOfJob;
use Lantern\Workbench\Jobs\Job;
use Lantern\Workbench\Jobs\JobKind;
use Lantern\Workbench\Jobs\Jobs;
use Lantern\Workbench\Jobs\KindOfJob;

/** Takes redirects from the file that came with the job. */
final readonly class RedirectsJob implements KindOfJob
{
    public function __construct(private RedirectEditor $editor, private Jobs $jobs, private EditOfJob $edit)
    {
    }

    public function kind(): JobKind
    {
        return JobKind::Redirects;
    }

    public function mayBeDoneBy(Role $role): bool
    {
        return $role->mayEdit();
    }

    public function do(Job $job, Actor $by, Progress $progress): void
    {
        $file = fopen('php://temp', 'w+');
        if (false === $file) {
            throw new \LogicException('No memory to read a file from.');
        }
        fwrite($file, $this->jobs->file($job->id) ?? '');
        rewind($file);
        $lines = array_values(iterator_to_array(RedirectCsv::read($file), false));
        fclose($file);
        $this->edit->run($job, fn (): Edit => $this->editor->take($lines, 'file', $by, $progress)->edit);
    }
}

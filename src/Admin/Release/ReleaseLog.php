<?php

declare(strict_types=1);

namespace Lantern\Admin\Release;

use Lantern\Admin\Http\SecurityLog;
use Lantern\Workbench\Publishing\Released;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;

/** Notes every release among the events, whether a person or a command published it. */
#[AsEventListener]
final readonly class ReleaseLog
{
    public function __construct(private SecurityLog $log)
    {
    }

    public function __invoke(Released $released): void
    {
        $this->log->write('published', ['release' => $released->number, 'by' => $released->by]);
    }
}

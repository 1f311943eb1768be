<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Lantern\Core\Refused;
use Lantern\Workbench\Jobs\JobKind;
use Lantern\Workbench\Jobs\Jobs;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;

#[AsMessageHandler]
final readonly class AskOutsideHandler
{
    public function __construct(private Jobs $jobs, private OutsideLinks $links)
    {
    }

    public function __invoke(AskOutside $message): void
    {
        if (0 === $this->links->due()) {
            return;
        }
        try {
            $this->jobs->ask(JobKind::Outside, [], null);
        } catch (Refused) {
            // It goes on already.
            return;
        }
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\OutsideLinks;

use Lantern\Workbench\Jobs\Jobs;
use Lantern\Workbench\Jobs\JobState;
use Lantern\Workbench\Jobs\Stopped;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Messenger\Stamp\DelayStamp;

/** Each message is short, so no host waits for another, and a worker that dies costs one question. */
#[AsMessageHandler(sign: true)]
final readonly class AskHostHandler
{
    private const APART = 1000;

    public function __construct(private Jobs $jobs, private OutsideLinks $links, private MessageBusInterface $bus)
    {
    }

    public function __invoke(AskHost $message): void
    {
        $job = $this->jobs->goOn($message->jobId);
        if (null === $job) {
            return;
        }
        $asked = $this->links->askOneOf($message->host);
        try {
            $this->jobs->tell(
                $job->id,
                'Asking other web sites',
                $job->done + ($asked ? 1 : 0),
                $job->done + ($asked ? 1 : 0) + $this->links->due(),
            );
        } catch (Stopped) {
            $this->jobs->end($job->id, JobState::Stopped, []);

            return;
        }
        if ($this->links->isDue($message->host)) {
            $this->bus->dispatch($message, [new DelayStamp(self::APART)]);
        } elseif (0 === $this->links->due()) {
            $this->jobs->end($job->id, JobState::Done, ['asked' => $job->done + ($asked ? 1 : 0)]);
        }
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\Tidying;

use Psr\Clock\ClockInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Event\WorkerRunningEvent;

/** A worker that has nothing to do tidies the journal, once after it has started and then once a day. */
#[AsEventListener]
final class TidyOnceADay
{
    private const EVERY = 86_400;

    private int $next = 0;

    public function __construct(private readonly JournalTidier $tidier, private readonly ClockInterface $clock)
    {
    }

    public function __invoke(WorkerRunningEvent $event): void
    {
        $now = $this->clock->now()->getTimestamp();
        if (!$event->isWorkerIdle() || $now < $this->next) {
            return;
        }
        $this->next = $now + self::EVERY;
        $this->tidier->tidy();
    }
}

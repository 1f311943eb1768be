<?php

declare(strict_types=1);

namespace Lantern\Workbench\Queues;

/** Work that no worker could do, however often it was tried. */
final readonly class FailedMessage
{
    /**
     * @param string $id      in the queue of what has failed
     * @param object $message what was to be done
     * @param string $why     what went wrong at the last try
     */
    public function __construct(public string $id, public object $message, public \DateTimeImmutable $at, public string $why)
    {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\Queues;

/** What stands in a queue and cannot be read: it was signed by nobody, or is of a version of the program that is no more. */
final readonly class UnreadableMessage
{
    public function __construct(public string $why)
    {
    }
}

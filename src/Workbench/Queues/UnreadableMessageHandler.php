<?php

declare(strict_types=1);

namespace Lantern\Workbench\Queues;

use Psr\Log\LoggerInterface;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;

/** It is told and done with; the worker goes on. */
#[AsMessageHandler]
final readonly class UnreadableMessageHandler
{
    public function __construct(private LoggerInterface $logger)
    {
    }

    public function __invoke(UnreadableMessage $message): void
    {
        $this->logger->error('A message that nobody can read was thrown away: {why}', ['why' => $message->why]);
    }
}

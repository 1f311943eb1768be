<?php

declare(strict_types=1);

namespace Lantern\Node\Visits;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\KernelEvents;

/** Visits that a quiet shop has noted are written when somebody works on it, who might look at their number. */
#[AsEventListener(event: KernelEvents::REQUEST)]
final readonly class WriteNotedVisits
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    public function __invoke(): void
    {
        VisitCounter::of($this->connection)->writeNoted();
    }
}

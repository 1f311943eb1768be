<?php

declare(strict_types=1);

namespace Lantern\Storefront\Http;

use Doctrine\DBAL\Connection;
use Lantern\Core\Answer\Answer;
use Lantern\Node\Visits\VisitCounter;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\TerminateEvent;
use Symfony\Component\HttpKernel\KernelEvents;

/** Counts a visit after the visitor has been answered. */
#[AsEventListener(event: KernelEvents::TERMINATE)]
final readonly class CountVisits
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(TerminateEvent $event): void
    {
        $answer = $event->getRequest()->attributes->get('answer');
        if ($answer instanceof Answer && $event->getRequest()->isMethod('GET')) {
            VisitCounter::of($this->connection)->count($answer, $this->clock->now());
        }
    }
}

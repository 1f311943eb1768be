<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Doctrine\DBAL\Connection;
use Lantern\Core\Answer\Answer;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\TerminateEvent;
use Symfony\Component\HttpKernel\KernelEvents;

/** Counts visits by address and day, and those that led nowhere, after the visitor has been answered. */
#[AsEventListener(event: KernelEvents::TERMINATE)]
final readonly class CountVisits
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.live_connection')] private Connection $connection,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(TerminateEvent $event): void
    {
        $answer = $event->getRequest()->attributes->get('answer');
        if (!$answer instanceof Answer || null === $answer->address || !$event->getRequest()->isMethod('GET')) {
            return;
        }
        $table = $answer->isMissed() ? 'missed_visit' : 'visit';
        $this->connection->executeStatement(
            "INSERT INTO journal.$table AS v (address, day, count) VALUES (?, ?, 1) ON CONFLICT (address, day) DO UPDATE SET count = v.count + 1",
            [$answer->address->path, $this->clock->now()->format('Y-m-d')],
        );
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Storefront\Search;

use Lantern\Core\Search\SearchWords;
use Lantern\Workbench\Search\MissedSearchCounter;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\TerminateEvent;
use Symfony\Component\HttpKernel\KernelEvents;

/** Has it counted that nothing was found, after the visitor has been answered. */
#[AsEventListener(event: KernelEvents::TERMINATE)]
final readonly class CountMissedSearches
{
    public const MISSED = 'missed_search';

    public function __construct(private MissedSearchCounter $counter)
    {
    }

    public function __invoke(TerminateEvent $event): void
    {
        $words = $event->getRequest()->attributes->get(self::MISSED);
        if ($words instanceof SearchWords && $event->getRequest()->isMethod('GET')) {
            $this->counter->count($words);
        }
    }
}

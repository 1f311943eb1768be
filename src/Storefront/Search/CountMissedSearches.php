<?php

declare(strict_types=1);

namespace Lantern\Storefront\Search;

use Doctrine\DBAL\Connection;
use Lantern\Core\Search\SearchWords;
use Lantern\Reading\Sql\Away;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\TerminateEvent;
use Symfony\Component\HttpKernel\KernelEvents;

/** Counts by day what was looked for and not found, after the visitor has been answered. */
#[AsEventListener(event: KernelEvents::TERMINATE)]
final readonly class CountMissedSearches
{
    public const MISSED = 'missed_search';
    /** Of a day; what comes after so many different words is somebody who tries the search out. */
    private const MOST = 5000;

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection, private ClockInterface $clock)
    {
    }

    public function __invoke(TerminateEvent $event): void
    {
        $words = $event->getRequest()->attributes->get(self::MISSED);
        if ($words instanceof SearchWords && $event->getRequest()->isMethod('GET')) {
            try {
                $this->connection->executeStatement('INSERT INTO missed_search SELECT :words, :day, 1 WHERE (SELECT count(*) FROM missed_search WHERE day = :day) < '.self::MOST.' ON CONFLICT (words, day) DO UPDATE SET count = missed_search.count + 1', ['words' => $words->normal(), 'day' => $this->clock->now()->format('Y-m-d')]);
            } catch (\Doctrine\DBAL\Exception $away) {
                // Where the shop is read from a standby, the primary may be away: one word more or less is no reason to fail.
                Away::explains($away) || throw $away;
            }
        }
    }
}

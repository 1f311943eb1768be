<?php

declare(strict_types=1);

namespace Lantern\Workbench\Search;

use Doctrine\DBAL\Connection;
use Lantern\Core\Search\SearchWords;
use Lantern\Reading\Sql\Away;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Counts by day what visitors looked for and did not find. */
final readonly class MissedSearchCounter
{
    /** Of a day; what comes after so many different words is somebody who tries the search out. */
    private const MOST = 5000;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private ClockInterface $clock,
    ) {
    }

    public function count(SearchWords $words): void
    {
        try {
            $this->connection->executeStatement(<<<'SQL'
                INSERT INTO missed_search SELECT :words, :day, 1 WHERE (SELECT count(*) FROM missed_search WHERE day = :day) < :most
                ON CONFLICT (words, day) DO UPDATE SET count = missed_search.count + 1
                SQL, ['words' => $words->normal(), 'day' => $this->clock->now()->format('Y-m-d'), 'most' => self::MOST]);
        } catch (\Doctrine\DBAL\Exception $away) {
            // Where the shop is read from a standby, the primary may be away: one word more or less is no reason to fail.
            Away::explains($away) || throw $away;
        }
    }
}

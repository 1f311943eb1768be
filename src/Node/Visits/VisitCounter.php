<?php

declare(strict_types=1);

namespace Lantern\Node\Visits;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Answer\Answer;
use Lantern\Node\Memory\NodeMemory;
use Lantern\Node\News\News;

/**
 * Counts visits by address and day, and those that led nowhere. Where nodes have a memory (APCu), visits
 * are noted there and written together every few seconds, so that a page that everybody asks for is no
 * row that everybody writes; a node that falls over loses those few seconds.
 */
final readonly class VisitCounter
{
    private const WRITTEN_EVERY = 2;
    private const MOST_AT_ONCE = 2000;
    private const MOST_NOTED = 100_000;
    private const MOST_SECONDS_TO_WRITE = 30;

    private const VISITS = <<<'SQL'
        INSERT INTO journal.visit AS v (address, day, count)
        SELECT key, CAST(:day AS date), CAST(value AS integer) FROM jsonb_each_text(CAST(:counts AS jsonb)) ORDER BY key COLLATE "C"
        ON CONFLICT (address, day) DO UPDATE SET count = v.count + excluded.count
        SQL;

    /** Addresses that lead nowhere are made up by whoever likes: so many a day are told apart, the rest is counted together, under none. */
    public const MOST_MISSED_A_DAY = 10_000;

    private const MISSED_VISITS = <<<'SQL'
        INSERT INTO journal.missed_visit AS v (address, day, count)
        SELECT CASE WHEN known OR nth <= room THEN address ELSE '' END AS address, CAST(:day AS date), sum(count)
        FROM (
            SELECT new.address, new.count, new.known, row_number() OVER (PARTITION BY new.known ORDER BY new.address) AS nth,
                CAST(:most AS integer) - (SELECT count(*) FROM journal.missed_visit m WHERE m.day = CAST(:day AS date)) AS room
            FROM (
                SELECT key COLLATE "C" AS address, CAST(value AS integer) AS count,
                    EXISTS (SELECT FROM journal.missed_visit m WHERE m.address = key AND m.day = CAST(:day AS date)) AS known
                FROM jsonb_each_text(CAST(:counts AS jsonb))
            ) new
        ) these GROUP BY 1 ORDER BY 1
        ON CONFLICT (address, day) DO UPDATE SET count = v.count + excluded.count
        SQL;

    /** @param \Closure(): \PDO $connection to the database, asked for only when something is written */
    public function __construct(private \Closure $connection)
    {
    }

    public static function of(Connection $connection): self
    {
        return new self(static function () use ($connection): \PDO {
            $native = $connection->getNativeConnection();

            return $native instanceof \PDO ? $native : throw new \LogicException('The database is spoken to by PDO.');
        });
    }

    public function count(Answer $answer, \DateTimeImmutable $now): void
    {
        if (null !== $answer->address && !$this->note($answer->address, $now->format('Y-m-d'), $answer->isMissed(), $answer->prefixes())) {
            $this->writeNoted();
        }
    }

    /**
     * @param string       $day      such as 2026-03-01, in UTC
     * @param list<string> $prefixes sources of the redirects for all below them that led on
     *
     * @return bool whether that is all for now; else there is something to write, once the visitor has been answered
     */
    public function note(Address $address, string $day, bool $missed = false, array $prefixes = []): bool
    {
        $visits = [($missed ? 'missed_visit' : 'visit')." $day {$address->path}"];
        foreach ($prefixes as $prefix) {
            // No address ends with a slash, so this stands for the redirect and for nothing else.
            $visits[] = "visit $day $prefix/";
        }
        if (!NodeMemory::isThere()) {
            $this->write($visits);

            return true;
        }
        if (apcu_exists('visits.full')) {
            return false;
        }
        foreach ($visits as $visit) {
            $nth = apcu_inc('visits.noted');
            apcu_store("visit.$nth", $visit, 3600);
            if (0 === $nth % 1000 && $nth - (\is_int($written = apcu_fetch('visits.written')) ? $written : 0) > self::MOST_NOTED) {
                // Nobody has written any for long: those of a night without a database must not fill the memory of the node.
                apcu_store('visits.full', true, self::WRITTEN_EVERY);
            }
        }

        return apcu_exists('visits.wait');
    }

    /** Writes what was noted, at most every few seconds and by one process at a time. What cannot be written now is written later. */
    public function writeNoted(): void
    {
        if (
            !NodeMemory::isThere()
            || !apcu_add('visits.wait', true, self::WRITTEN_EVERY)
            || !apcu_add('visits.writing', true, self::MOST_SECONDS_TO_WRITE)
        ) {
            return;
        }
        try {
            $noted = apcu_fetch('visits.noted');
            $written = apcu_fetch('visits.written');
            $from = \is_int($written) ? $written : 0;
            $to = min(\is_int($noted) ? $noted : 0, $from + self::MOST_AT_ONCE);
            if ($from >= $to) {
                return;
            }
            $keys = array_map(static fn (int $nth): string => "visit.$nth", range($from + 1, $to));
            $visits = apcu_fetch($keys);
            $this->write(array_values(array_filter(\is_array($visits) ? $visits : [], \is_string(...))));
            apcu_store('visits.written', $to);
            apcu_delete($keys);
            if ($to < $noted) {
                apcu_delete('visits.wait');
            }
        } catch (\PDOException|\Doctrine\DBAL\Exception) {
            // Where the shop is read from a standby, that the primary is away says nothing of it.
            if ('' === (string) getenv('DATABASE_READ_URL')) {
                News::away();
            }
        } finally {
            apcu_delete('visits.writing');
        }
    }

    /** @param list<string> $visits table, day and address of each */
    private function write(array $visits): void
    {
        $counts = [];
        foreach ($visits as $visit) {
            [$table, $day, $address] = explode(' ', $visit, 3);
            $counts[$table][$day][$address] = ($counts[$table][$day][$address] ?? 0) + 1;
        }
        foreach ($counts as $table => $days) {
            foreach ($days as $day => $addresses) {
                // In one order, so that two nodes never wait for one another.
                ksort($addresses, \SORT_STRING);
                $statement = ($this->connection)()->prepare('visit' === $table ? self::VISITS : self::MISSED_VISITS);
                $statement->execute([
                    'day' => $day,
                    'counts' => json_encode((object) $addresses, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
                ] + ('visit' === $table ? [] : ['most' => self::MOST_MISSED_A_DAY]));
            }
        }
    }
}

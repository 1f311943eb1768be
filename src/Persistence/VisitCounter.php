<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Answer\Answer;

/**
 * Counts visits by address and day, and those that led nowhere. Where nodes have a memory (APCu), visits
 * are noted there and written together every few seconds, so that a page that everybody asks for is no
 * row that everybody writes; a node that falls over loses those few seconds.
 */
final readonly class VisitCounter
{
    private const WRITTEN_EVERY = 2;
    private const MOST_AT_ONCE = 2000;

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
        if (null !== $answer->address && !$this->note($answer->address, $now->format('Y-m-d'), $answer->isMissed())) {
            $this->writeNoted();
        }
    }

    /**
     * @param string $day such as 2026-03-01, in UTC
     *
     * @return bool whether that is all for now; else there is something to write, once the visitor has been answered
     */
    public function note(Address $address, string $day, bool $missed = false): bool
    {
        $visit = ($missed ? 'missed_visit' : 'visit')." $day {$address->path}";
        if (!NodeMemory::isThere()) {
            $this->write([$visit]);

            return true;
        }
        apcu_store('visit.'.apcu_inc('visits.noted'), $visit, 3600);

        return apcu_exists('visits.wait');
    }

    /** Writes what was noted, at most every few seconds and by one process at a time. */
    public function writeNoted(): void
    {
        if (!NodeMemory::isThere() || !apcu_add('visits.wait', true, self::WRITTEN_EVERY)) {
            return;
        }
        $noted = apcu_fetch('visits.noted');
        $written = apcu_fetch('visits.written');
        $from = \is_int($written) ? $written : 0;
        $to = min(\is_int($noted) ? $noted : 0, $from + self::MOST_AT_ONCE);
        if ($from >= $to) {
            return;
        }
        apcu_store('visits.written', $to);
        $keys = array_map(static fn (int $nth): string => "visit.$nth", range($from + 1, $to));
        $visits = apcu_fetch($keys);
        apcu_delete($keys);
        $this->write(array_values(array_filter(\is_array($visits) ? $visits : [], \is_string(...))));
        if ($to < $noted) {
            apcu_delete('visits.wait');
        }
    }

    /** @param list<string> $visits table, day and address of each */
    private function write(array $visits): void
    {
        $counts = [];
        foreach ($visits as $visit) {
            [$table, $key] = explode(' ', $visit, 2);
            $counts[$table][$key] = ($counts[$table][$key] ?? 0) + 1;
        }
        foreach ($counts as $table => $rows) {
            // In one order, so that two nodes never wait for one another.
            ksort($rows);
            $values = [];
            foreach ($rows as $key => $count) {
                [$day, $address] = explode(' ', $key, 2);
                array_push($values, $address, $day, $count);
            }
            $statement = ($this->connection)()->prepare(\sprintf(
                'INSERT INTO journal.%s AS v (address, day, count) VALUES %s ON CONFLICT (address, day) DO UPDATE SET count = v.count + excluded.count',
                $table,
                implode(', ', array_fill(0, \count($rows), '(?, ?, ?)')),
            ));
            $statement->execute($values);
        }
    }
}

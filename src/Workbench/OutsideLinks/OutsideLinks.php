<?php

declare(strict_types=1);

namespace Lantern\Workbench\OutsideLinks;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Lantern\Core\Finding\OutsideAnswer;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\Progress;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The links to other web sites, each with what was answered last and when it is asked again. */
final readonly class OutsideLinks
{
    private const KEPT = '7 days';
    private const TRIED_AGAIN = '20 hours';

    /** A link that was found this very second is asked, too. */
    private const TO_THE_MICROSECOND = 'Y-m-d H:i:s.uP';

    /** Of `o`, for the database: it is time, and the host has not asked to be left alone. */
    private const DUE = 'o.again_at <= :now AND NOT EXISTS (SELECT FROM journal.outside_host h WHERE h.host = o.host AND h.patient_until > '
        .':now)';

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private OutsideClient $asker,
        private Locks $locks,
        private ClockInterface $clock,
    ) {
    }

    /** How many are to be asked by now, at hosts that may be asked. */
    public function due(): int
    {
        $count = $this->connection->fetchOne('SELECT count(*) FROM journal.outside_answer o WHERE '.self::DUE, ['now' => $this->now()]);

        return is_numeric($count) ? (int) $count : 0;
    }

    public function isDue(string $host): bool
    {
        return false !== $this->connection->fetchOne(
            'SELECT 1 FROM journal.outside_answer o WHERE o.host = :host AND '.self::DUE.' LIMIT 1',
            ['host' => $host, 'now' => $this->now()],
        );
    }

    /** @return list<string> the hosts with links that are due */
    public function hosts(): array
    {
        return array_values(array_filter(
            $this->connection->fetchFirstColumn(
                'SELECT DISTINCT o.host FROM journal.outside_answer o WHERE '.self::DUE.' ORDER BY 1',
                ['now' => $this->now()],
            ),
            \is_string(...),
        ));
    }

    /** Every answer is taken to be too old. A host that asked for patience is left alone all the same. */
    public function askAllAgain(): void
    {
        $this->connection->executeStatement('UPDATE journal.outside_answer SET again_at = :now', ['now' => $this->now()]);
    }

    /** What nothing leads to any more is not asked. */
    public function forgetWhatNothingLeadsTo(): void
    {
        $this->connection->executeStatement(<<<'SQL'
            DELETE FROM journal.outside_answer o WHERE o.again_at <= :now
            AND NOT EXISTS (SELECT FROM journal.examined e WHERE e.reaches && ARRAY[hashtextextended('o:' || o.url, 0)])
            SQL, ['now' => $this->now()]);
    }

    /**
     * Asks the link to a host whose turn it is, and keeps the answer.
     *
     * @return bool whether one was asked: not where none is due, or another worker asks this host
     */
    public function askOneOf(string $host): bool
    {
        return true === $this->locks->unlessHeld(Lock::OutsideHost, $host, function () use ($host): bool {
            $url = $this->connection->fetchOne(
                'SELECT o.url FROM journal.outside_answer o WHERE o.host = :host AND '.self::DUE.' ORDER BY o.again_at, o.url LIMIT 1',
                ['host' => $host, 'now' => $this->now()],
            );
            if (!\is_string($url)) {
                return false;
            }
            $this->keep($url, $this->asker->ask($url));

            return true;
        });
    }

    /**
     * All that are due, one host after the other in turns, for a command that waits for them.
     *
     * @return int how many were asked
     */
    public function ask(Progress $progress): int
    {
        $this->forgetWhatNothingLeadsTo();
        $asked = 0;
        $progress->enter('Asking other web sites', $this->due());
        while ([] !== $hosts = $this->hosts()) {
            $before = $asked;
            foreach ($hosts as $host) {
                if ($this->askOneOf($host)) {
                    ++$asked;
                    $progress->advance(tell: true);
                }
            }
            if ($before === $asked) {
                // A worker asks the rest.
                break;
            }
        }

        return $asked;
    }

    private function keep(string $url, CheckedLink $answer): void
    {
        $now = $this->clock->now();
        $again = $now->modify('+'.self::KEPT);
        $isAway = 0 === $answer->status || $answer->status >= 500 || $answer->patience > 0;
        if ($answer->patience > 0) {
            // The whole host is left alone for as long as it asks, whoever asks for its links.
            $this->connection->executeStatement(
                <<<'SQL'
                    INSERT INTO journal.outside_host (host, patient_until) VALUES (:host, :until) ON CONFLICT (host) DO UPDATE
                    SET patient_until = greatest(outside_host.patient_until, excluded.patient_until)
                    SQL,
                ['host' => $answer->patient, 'until' => $now->modify("+$answer->patience seconds")->format(\DATE_ATOM)],
            );
        }
        if ($isAway) {
            $again = max($now->modify('+'.self::TRIED_AGAIN), $now->modify("+$answer->patience seconds"));
        }
        // What was known stays while a host only asks for patience, until it has done so for too many days.
        $this->connection->executeStatement(<<<'SQL'
            WITH days AS (SELECT url, CASE WHEN NOT :away THEN 0 WHEN away_on = CAST(:now AS date) THEN away_days ELSE away_days + 1 END
                AS away FROM journal.outside_answer WHERE url = :url)
            UPDATE journal.outside_answer o SET
                status = CASE WHEN :patient AND o.status IS NOT NULL AND d.away < :most THEN o.status ELSE :status END,
                moved = CASE WHEN :patient AND d.away < :most THEN o.moved ELSE :moved END,
                secure = CASE WHEN :patient AND d.away < :most THEN o.secure ELSE :secure END,
                why = CASE WHEN :patient AND o.status IS NOT NULL AND d.away < :most THEN o.why ELSE :why END,
                asked_at = :now, again_at = :again, away_days = d.away, away_on = CASE WHEN :away THEN CAST(:now AS date) END
            FROM days d WHERE o.url = d.url
            SQL, [
            'url' => $url, 'status' => $answer->status, 'moved' => $answer->moved, 'secure' => $answer->secure, 'why' => $answer->why,
            'away' => $isAway, 'patient' => $answer->patience > 0,
            'most' => OutsideAnswer::DAYS_AWAY, 'now' => $now->format(\DATE_ATOM), 'again' => $again->format(\DATE_ATOM),
        ], [
            'status' => ParameterType::INTEGER,
            'secure' => ParameterType::BOOLEAN,
            'away' => ParameterType::BOOLEAN,
            'patient' => ParameterType::BOOLEAN,
            'most' => ParameterType::INTEGER,
        ]);
    }

    /** As the column `host` of the table has it. */
    public static function host(string $url): string
    {
        return strtolower(1 === preg_match('~^[a-z]+://([^/?#]*)~i', $url, $found) ? $found[1] : '');
    }

    private function now(): string
    {
        return $this->clock->now()->format(self::TO_THE_MICROSECOND);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Reading\Copies\PgArray;
use Lantern\Workbench\Edits\Progress;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The links to other web sites: asks those whose turn it is, one after the other, and keeps each answer as soon as it is there. */
final readonly class OutsideLinks
{
    private const KEPT = '7 days';
    private const TRIED_AGAIN = '20 hours';

    /** A link that was found this very second is asked, too. */
    private const TO_THE_MICROSECOND = 'Y-m-d H:i:s.uP';

    /** What `host` says, for the database. */
    private const HOST = "lower(substring(url from '^[a-z]+://([^/?#]*)'))";

    /** Between two questions to one host, in milliseconds. */
    private const APART = 1000;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private OutsideAsker $asker,
        private ClockInterface $clock,
    ) {
    }

    /** How many are to be asked by now. */
    public function due(): int
    {
        $count = $this->connection->fetchOne('SELECT count(*) FROM journal.outside_answer WHERE again_at <= :now', ['now' => $this->clock->now()->format(self::TO_THE_MICROSECOND)]);

        return is_numeric($count) ? (int) $count : 0;
    }

    /** Every answer is taken to be too old. */
    public function askAllAgain(): void
    {
        $this->connection->executeStatement('UPDATE journal.outside_answer SET again_at = :now', ['now' => $this->clock->now()->format(self::TO_THE_MICROSECOND)]);
    }

    /** Those whose turn it is. Whoever is stopped, or dies, goes on with the next one. */
    public function ask(Progress $progress): int
    {
        $this->forget();
        $asked = 0;
        $wait = [];
        $progress->enter('Asking other web sites', $this->due());
        while (null !== $url = $this->next(array_keys(array_filter($wait, static fn (int $until): bool => $until > self::now())))) {
            $host = self::host($url);
            $answer = $this->asker->ask($url);
            $this->keep($url, $answer);
            $wait[$host] = self::now() + self::APART;
            ++$asked;
            $progress->advance(tell: true);
        }

        return $asked;
    }

    /** @param list<string> $resting hosts that were asked a moment ago: others come first, and else they are waited for */
    private function next(array $resting): ?string
    {
        $now = $this->clock->now()->format(self::TO_THE_MICROSECOND);
        foreach ([$resting, []] as $n => $without) {
            $url = $this->connection->fetchOne('SELECT url FROM journal.outside_answer WHERE again_at <= :now AND '.self::HOST.' <> ALL (CAST(:resting AS text[])) ORDER BY again_at, url LIMIT 1', ['now' => $now, 'resting' => PgArray::of($without)]);
            if (\is_string($url)) {
                if (1 === $n) {
                    usleep(self::APART * 1000);
                }

                return $url;
            }
        }

        return null;
    }

    private function keep(string $url, AskedOutside $answer): void
    {
        $now = $this->clock->now();
        if ($answer->patience > 0) {
            // The whole host is left alone for as long as it asks; what was known of it stays.
            $this->connection->executeStatement('UPDATE journal.outside_answer SET again_at = :again WHERE '.self::HOST.' = :host AND again_at < :again', ['again' => $now->modify("+$answer->patience seconds")->format(\DATE_ATOM), 'host' => self::host($url)]);

            return;
        }
        $away = 0 === $answer->status || $answer->status >= 500;
        $this->connection->executeStatement(<<<'SQL'
            UPDATE journal.outside_answer SET status = :status, moved = :moved, secure = :secure, why = :why, asked_at = :now, again_at = :again,
                away_days = CASE WHEN NOT :away THEN 0 WHEN away_on = CAST(:now AS date) THEN away_days ELSE away_days + 1 END,
                away_on = CASE WHEN :away THEN CAST(:now AS date) END
            WHERE url = :url
            SQL, [
            'url' => $url, 'status' => $answer->status, 'moved' => $answer->moved, 'secure' => $answer->secure ? 'true' : 'false', 'why' => $answer->why, 'away' => $away ? 'true' : 'false',
            'now' => $now->format(\DATE_ATOM), 'again' => $now->modify('+'.($away ? self::TRIED_AGAIN : self::KEPT))->format(\DATE_ATOM),
        ]);
    }

    /** What nothing leads to any more is not asked. */
    private function forget(): void
    {
        $this->connection->executeStatement("DELETE FROM journal.outside_answer o WHERE o.again_at <= now() AND NOT EXISTS (SELECT FROM journal.examined e WHERE e.reaches && ARRAY[hashtextextended('o:' || o.url, 0)])");
    }

    private static function host(string $url): string
    {
        return strtolower(1 === preg_match('~^[a-z]+://([^/?#]*)~i', $url, $found) ? $found[1] : '');
    }

    /** In milliseconds, by a clock that nobody sets. */
    private static function now(): int
    {
        return intdiv(hrtime(true), 1_000_000);
    }
}

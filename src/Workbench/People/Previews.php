<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Doctrine\DBAL\Connection;
use Lantern\Core\NotThere;
use Lantern\Core\Person\SessionRule;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Opens previews for a session of somebody who is signed in, and ends them with it. */
final readonly class Previews
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param string $sessionId of whoever looks: its row takes the preview with it, whoever ends it; and at the latest it ends when the
     *                          session has lasted as long as one may
     * @param string $key       under which it is opened
     *
     * @return \DateTimeImmutable until when it is open
     *
     * @throws NotThere where the session has ended meanwhile
     */
    public function open(string $sessionId, string $key, \DateTimeImmutable $until): \DateTimeImmutable
    {
        $this->forgetEnded();
        $open = $this->connection->fetchOne(<<<'SQL'
            INSERT INTO journal.preview_key (key, session_id, until)
            SELECT :key, id, least(CAST(:until AS timestamptz), begun_at + make_interval(secs => :longest)) FROM journal.own_session
                WHERE id = :session
            ON CONFLICT (key) DO UPDATE SET session_id = excluded.session_id, until = excluded.until RETURNING until
            SQL, ['key' => $key, 'session' => $sessionId, 'until' => $until->format(\DATE_ATOM), 'longest' => SessionRule::ABSOLUTE]);

        return \is_string($open) ? new \DateTimeImmutable($open) : throw new NotThere('This session has ended. Sign in again.');
    }

    /** For a command, which has no session and ends it itself. */
    public function openForCommand(string $key, \DateTimeImmutable $until): void
    {
        $this->forgetEnded();
        $this->connection->executeStatement(<<<'SQL'
            INSERT INTO journal.preview_key (key, until) VALUES (?, ?)
            SQL, [$key, $until->format(\DATE_ATOM)]);
    }

    public function end(string $key): void
    {
        $this->connection->delete('journal.preview_key', ['key' => $key]);
    }

    private function forgetEnded(): void
    {
        $this->connection->executeStatement('DELETE FROM journal.preview_key WHERE until < ?', [$this->clock->now()->format(\DATE_ATOM)]);
    }
}

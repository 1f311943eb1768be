<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Findings that somebody looked at and wants to keep as they are. */
final readonly class SetAsides
{
    public const MOST_WORDS = 300;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param \DateTimeImmutable|null $until null: for good
     *
     * @throws Refused|NotThere
     */
    public function put(string $findingId, string $reason, ?\DateTimeImmutable $until, Actor $by): void
    {
        $reason = trim((string) preg_replace('/\s+/u', ' ', $reason));
        if ('' === $reason || mb_strlen($reason) > self::MOST_WORDS) {
            throw new Refused(
                'reason',
                \sprintf('Say in at most %d characters why it may stay as it is. Whoever looks next wants to know.', self::MOST_WORDS),
            );
        }
        $now = $this->clock->now();
        if (null !== $until && $until <= $now) {
            throw new Refused('until', 'This day is over. Choose a later one, or none.');
        }
        $kept = $this->connection->executeStatement(<<<'SQL'
            INSERT INTO journal.set_aside (finding_id, reason, person, person_id, until, at)
                SELECT :id, :reason, :person, :personId, :until, :now WHERE EXISTS (SELECT FROM journal.finding WHERE id = :id)
            ON CONFLICT (finding_id) DO UPDATE
                SET reason = excluded.reason, person = excluded.person, person_id = excluded.person_id, until = excluded.until, at =
                excluded.at
            SQL, [
            'id' => $findingId,
            'reason' => $reason,
            'person' => $by->name,
            'personId' => $by->personId(),
            'until' => $until?->format(\DATE_ATOM),
            'now' => $now->format(\DATE_ATOM),
        ]);
        if (0 === $kept) {
            throw new NotThere('This finding is no longer there. It may be mended by now.');
        }
    }

    public function takeBack(string $findingId): void
    {
        $this->connection->executeStatement('DELETE FROM journal.set_aside WHERE finding_id = ?', [$findingId]);
    }
}

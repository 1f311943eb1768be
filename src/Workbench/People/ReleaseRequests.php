<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Doctrine\DBAL\Connection;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Reading\Sql\Row;
use Lantern\Workbench\Audit\AuditLog;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/** What those who edit but do not publish ask of those who do. */
final readonly class ReleaseRequests
{
    public const MOST_WORDS = 300;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private AuditLog $audit,
        private ClockInterface $clock,
    ) {
    }

    /**
     * One of each person stands; the next takes the place of the last.
     *
     * @throws Refused
     */
    public function ask(string $note, Actor $by): void
    {
        $note = trim((string) preg_replace('/\s+/u', ' ', $note));
        if (mb_strlen($note) > self::MOST_WORDS) {
            throw new Refused('note', \sprintf('A note has at most %d characters. Shorten it.', self::MOST_WORDS));
        }
        $this->connection->transactional(function () use ($note, $by): void {
            $this->connection->executeStatement('DELETE FROM journal.release_request WHERE person_id = ?', [$by->personId()]);
            $this->connection->executeStatement(<<<'SQL'
                INSERT INTO journal.release_request VALUES (?, ?, ?, ?, ?)
                SQL, [(new UuidV7())->toRfc4122(), $by->personId(), $by->name, $note, $this->clock->now()->format(\DATE_ATOM)]);
            $this->audit->add($by, 'asked-for-a-release', ['note' => $note]);
        });
    }

    /** @return list<ReleaseRequest> the latest first */
    public function all(): array
    {
        return array_map(static function (array $columns): ReleaseRequest {
            $row = new Row($columns);

            return new ReleaseRequest($row->text('person'), $row->text('note'), $row->moment('at') ?? new \DateTimeImmutable('@0'));
        }, $this->connection->fetchAllAssociative('SELECT person, note, at FROM journal.release_request ORDER BY at DESC, id DESC'));
    }
}

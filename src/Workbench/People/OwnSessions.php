<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Doctrine\DBAL\Connection;
use Lantern\Core\Person\SessionRule;
use Lantern\Core\Person\SignInLevel;
use Lantern\Reading\Sql\Row;
use Lantern\Workbench\Audit\AuditLog;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\Uuid;
use Symfony\Component\Uid\UuidV4;

/**
 * The browsers that people are signed in with: seen, limited, ended. Wherever the contents of sessions are kept, what holds is
 * written here: a session that has no row goes on nowhere.
 */
final readonly class OwnSessions
{
    /** Its last use is noted so often, in seconds. */
    private const NOTED = 60;

    /** Whether everybody needs a second factor, see HouseRules. */
    private const REQUIRED = "EXISTS (SELECT FROM journal.house_rule WHERE name = 'second-factor' AND value = 'yes')";

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private AuditLog $audit,
        private ClockInterface $clock,
    ) {
    }

    /** @return string its id, which is not the one in the cookie */
    public function begin(Person $person, string $network, string $browser): string
    {
        $id = (new UuidV4())->toRfc4122();
        $now = $this->clock->now();
        $this->connection->executeStatement(<<<'SQL'
            INSERT INTO journal.own_session (id, person_id, begun_at, seen_at, network, browser)
            VALUES (:id, :person, :now, :now, :network, :browser)
            SQL, [
            'id' => $id,
            'person' => $person->id,
            'now' => $now->format(\DATE_ATOM),
            'network' => $network,
            'browser' => BrowserName::of($browser),
        ]);
        $this->connection->executeStatement('UPDATE journal.person SET seen_at = ? WHERE id = ?', [$now->format(\DATE_ATOM), $person->id]);
        // What ended by itself leaves nothing here.
        $this->connection->executeStatement(<<<'SQL'
            DELETE FROM journal.own_session WHERE begun_at < ? OR seen_at < ?
            SQL, [
            $now->modify('-'.SessionRule::ABSOLUTE.' seconds')->format(\DATE_ATOM),
            $now->modify('-'.SessionRule::IDLE.' seconds')->format(\DATE_ATOM),
        ]);

        return $id;
    }

    /** How far somebody has come whose session begins now. */
    public function atFirst(Person $person): SignInLevel
    {
        $row = $this->connection->fetchAssociative(
            "SELECT factor <> '' AS has_factor, ".self::REQUIRED.' AS required FROM journal.person WHERE id = ?',
            [$person->id],
        );

        return false === $row ? SignInLevel::Whole : SignInLevel::of(true === $row['has_factor'], true === $row['required'], false);
    }

    /** @return SignInLevel|null null: it has ended, by somebody or by itself */
    public function see(string $id, Person $person): ?SignInLevel
    {
        if (!Uuid::isValid($id)) {
            return null;
        }
        $columns = $this->connection->fetchAssociative(
            "SELECT s.*, p.factor <> '' AS has_factor, ".self::REQUIRED
                .' AS required FROM journal.own_session s JOIN journal.person p ON p.id = s.person_id WHERE s.id = ? AND p.id = ? AND '
                    .'p.left_at IS NULL',
            [$id, $person->id],
        );
        if (false === $columns) {
            return null;
        }
        $row = new Row($columns);
        $now = $this->clock->now();
        $seen = $row->moment('seen_at') ?? $now;
        if (!SessionRule::goesOn($row->moment('begun_at') ?? $now, $seen, $now)) {
            $this->forget($id);

            return null;
        }
        if ($now->getTimestamp() - $seen->getTimestamp() >= self::NOTED) {
            $this->connection->executeStatement('UPDATE journal.own_session SET seen_at = ? WHERE id = ?', [$now->format(\DATE_ATOM), $id]);
            $this->connection->executeStatement(
                'UPDATE journal.person SET seen_at = ? WHERE id = ?',
                [$now->format(\DATE_ATOM), $person->id],
            );
        }

        return SignInLevel::of(true === $columns['has_factor'], true === $columns['required'], true === $columns['factor_shown']);
    }

    /** The second factor was shown, or made, in it. */
    public function show(string $id): void
    {
        $this->connection->executeStatement('UPDATE journal.own_session SET factor_shown = true WHERE id = ?', [$id]);
    }

    /** @return list<OwnSession> the last used first */
    public function of(Person $person): array
    {
        return array_map(static function (array $columns): OwnSession {
            $row = new Row($columns);

            return new OwnSession(
                $row->text('id'),
                $row->text('browser'),
                $row->text('network'),
                $row->moment('begun_at') ?? new \DateTimeImmutable('@0'),
                $row->moment('seen_at') ?? new \DateTimeImmutable('@0'),
            );
        }, $this->connection->fetchAllAssociative(<<<'SQL'
            SELECT * FROM journal.own_session WHERE person_id = ? ORDER BY seen_at DESC, id
            SQL, [$person->id]));
    }

    /** @return bool whether there was one */
    public function end(string $id, Person $person): bool
    {
        return $this->connection->transactional(function () use ($id, $person): bool {
            $browser = $this->connection->fetchOne(<<<'SQL'
                DELETE FROM journal.own_session WHERE id = ? AND person_id = ? RETURNING browser
                SQL, [$id, $person->id]);
            if (!\is_string($browser)) {
                return false;
            }
            $this->audit->add($person->actor(), 'session-ended', ['browser' => $browser]);

            return true;
        });
    }

    /** Signed out, or ended by itself. */
    public function forget(string $id): void
    {
        if (Uuid::isValid($id)) {
            $this->connection->executeStatement('DELETE FROM journal.own_session WHERE id = ?', [$id]);
        }
    }

    /** All of somebody's, but for one. */
    public function endAll(string $personId, string $except = ''): void
    {
        $this->connection->executeStatement('DELETE FROM journal.own_session WHERE person_id = ? AND id::text <> ?', [$personId, $except]);
    }
}

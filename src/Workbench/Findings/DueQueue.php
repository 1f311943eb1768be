<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Lantern\Core\Finding\DistanceContent;
use Lantern\Core\Release\CopyName;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * What is to be looked at: the triggers of the database write down here what changed (`journal.due`), and dates that pass count as changes.
 */
final readonly class DueQueue
{
    /** More changes than these are work for a worker: nobody waits for them. */
    public const MOST_AT_ONCE = 5000;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private ClockInterface $clock,
    ) {
    }

    /** Whether something changed, or a date passed, since the copy was looked at the last time. */
    public function isDue(CopyName $name): bool
    {
        $schema = $name->value;

        return $this->isTrue(<<<SQL
            SELECT EXISTS (SELECT FROM journal.look l WHERE l.copy = :copy AND (
                l.whole_at IS NULL OR EXISTS (SELECT FROM journal.due d WHERE d.copy = :copy AND d.subject IS DISTINCT FROM :far)
                OR EXISTS (SELECT FROM journal.examined e WHERE e.copy = :copy AND e.again_at <= :now AND e.subject <> :far)
                OR EXISTS (SELECT FROM $schema.place p WHERE p.opens_on > l.caught_at AND p.opens_on <= :now)
                OR EXISTS (SELECT FROM $schema.place p WHERE p.closes_on > l.caught_at AND p.closes_on <= :now)
            ))
            SQL, ['copy' => $schema, 'now' => $this->clock->now()->format(\DATE_ATOM), 'far' => DistanceContent::KEY]);
    }

    /** Whether nobody has walked yet, or so much changed that it was not written down what. */
    public function needsWalk(CopyName $name): bool
    {
        return $this->isTrue(<<<'SQL'
            SELECT EXISTS (SELECT FROM journal.look l WHERE l.copy = :copy
                AND (l.whole_at IS NULL OR EXISTS (SELECT FROM journal.due d WHERE d.copy = :copy AND d.subject = '*')))
            SQL, ['copy' => $name->value]);
    }

    /** Whether more has changed than anybody would wait for. */
    public function isMuch(CopyName $name): bool
    {
        return $this->needsWalk($name) || $this->isTrue(<<<'SQL'
            SELECT count(*) >= CAST(:most AS integer) FROM (SELECT FROM journal.due d WHERE d.copy = :copy LIMIT CAST(:most AS integer)) few
            SQL, ['copy' => $name->value, 'most' => (string) self::MOST_AT_ONCE]);
    }

    /**
     * Takes the oldest of what is due.
     *
     * @param int $most changes
     */
    public function take(CopyName $name, int $most): TakenDue
    {
        $rows = $this->connection->fetchAllAssociative(<<<'SQL'
            DELETE FROM journal.due
            WHERE id IN (SELECT id FROM journal.due WHERE copy = :copy AND subject IS DISTINCT FROM :far ORDER BY id LIMIT :most)
            RETURNING subject, to_jsonb(keys) AS keys, person
            SQL, ['copy' => $name->value, 'far' => DistanceContent::KEY, 'most' => $most], ['most' => ParameterType::INTEGER]);

        return TakenDue::of(array_map(static fn (array $columns): Row => new Row($columns), $rows));
    }

    /**
     * Puts back what is to be looked at later.
     *
     * @param list<string> $subjects
     * @param string       $person   id of whoever made it due; empty: several did, or nobody
     */
    public function putBack(CopyName $name, array $subjects, string $person): void
    {
        if ([] !== $subjects) {
            $this->connection->executeStatement(<<<'SQL'
                INSERT INTO journal.due (copy, subject, keys, person)
                SELECT :copy, subject, '{}', :person FROM unnest(CAST(:subjects AS text[])) AS subject
                SQL, ['copy' => $name->value, 'person' => $person, 'subjects' => PgArray::of($subjects)]);
        }
    }

    /** A date that passes changes what a place is, as an edit does. */
    public function passDates(CopyName $name, \DateTimeImmutable $moment): void
    {
        foreach (['opens_on', 'closes_on'] as $date) {
            $this->connection->executeStatement(<<<SQL
                INSERT INTO journal.due (copy, subject, keys, person)
                SELECT :copy, 'place:' || p.id,
                    journal.keys_of_place(p.id, p.address, COALESCE(NULLIF(p.listing_title, ''), p.title), p.parent_id, p.kind), ''
                FROM journal.look l JOIN place p ON p.$date > l.caught_at AND p.$date <= :now WHERE l.copy = :copy
                SQL, ['copy' => $name->value, 'now' => $moment->format(\DATE_ATOM)]);
        }
    }

    public function caughtUp(CopyName $name, \DateTimeImmutable $moment): void
    {
        $this->connection->executeStatement(<<<'SQL'
            UPDATE journal.look SET caught_at = :now WHERE copy = :copy
            SQL, ['now' => $moment->format(\DATE_ATOM), 'copy' => $name->value]);
    }

    /** From now on a worker may be asked again. */
    public function mayAskAgain(CopyName $name): void
    {
        $this->connection->executeStatement('UPDATE journal.look SET asked_at = NULL WHERE copy = ?', [$name->value]);
    }

    /** Whether a way from the front page may have changed, or a date in one. */
    public function areDistancesDue(CopyName $name, \DateTimeImmutable $moment): bool
    {
        return $this->isTrue(<<<'SQL'
            SELECT EXISTS (SELECT FROM journal.due WHERE copy = :copy AND subject = :far)
            OR EXISTS (SELECT FROM journal.examined WHERE copy = :copy AND subject = :far AND again_at <= :now)
            SQL, ['copy' => $name->value, 'far' => DistanceContent::KEY, 'now' => $moment->format(\DATE_ATOM)]);
    }

    public function takeDistances(CopyName $name): void
    {
        $this->connection->executeStatement('DELETE FROM journal.due WHERE copy = ? AND subject = ?', [$name->value, DistanceContent::KEY]);
    }

    public function putDistances(CopyName $name): void
    {
        $this->connection->executeStatement(<<<'SQL'
            INSERT INTO journal.due (copy, subject, keys, person)
            SELECT :copy, :far, '{}', '' WHERE NOT EXISTS (SELECT FROM journal.due WHERE copy = :copy AND subject = :far)
            SQL, ['copy' => $name->value, 'far' => DistanceContent::KEY]);
    }

    /** @param array<string, string> $parameters */
    private function isTrue(string $sql, array $parameters): bool
    {
        return \in_array($this->connection->fetchOne($sql, $parameters), [true, 't'], true);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Release\CopyName;
use Lantern\Reading\Sql\PgArray;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Keeps what was looked at with what it asked for (`journal.examined`), and what was found (`journal.finding`). */
final readonly class ExaminedRows
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /**
     * @param list<string> $keys of what changed
     *
     * @return list<string> the subjects whose look asked for one of these, or that a date has changed
     */
    public function reaching(CopyName $name, array $keys, ?\DateTimeImmutable $moment): array
    {
        $subjects = $this->connection->fetchFirstColumn(<<<'SQL'
            SELECT subject FROM journal.examined WHERE copy = :copy
                AND reaches && ARRAY(SELECT hashtextextended(key, 0) FROM unnest(CAST(:keys AS text[])) AS key)
            UNION SELECT subject FROM journal.examined WHERE copy = :copy AND again_at <= CAST(:now AS timestamptz)
            SQL, ['copy' => $name->value, 'keys' => PgArray::of($keys), 'now' => $moment?->format(\DATE_ATOM)]);

        return array_values(array_filter($subjects, \is_string(...)));
    }

    /**
     * @param list<string>          $subjects that were to be looked at; one that is not there any more is forgotten
     * @param list<ExaminedSubject> $examined
     *
     * @return list<string> ids of the places that something leads to since, or no longer
     */
    public function keepExamined(CopyName $name, array $subjects, array $examined): array
    {
        $changed = $this->connection->fetchFirstColumn(<<<'SQL'
            WITH now AS (SELECT *
                FROM jsonb_to_recordset(CAST(:examined AS jsonb)) AS x (subject text, reaches text[], leads uuid[], again_at timestamptz)),
            before AS (SELECT subject, leads FROM journal.examined WHERE copy = :copy AND subject = ANY (CAST(:subjects AS text[]))),
            gone AS (DELETE FROM journal.examined WHERE copy = :copy AND subject = ANY (CAST(:subjects AS text[]))
                AND subject NOT IN (SELECT subject FROM now)),
            kept AS (
                INSERT INTO journal.examined SELECT :copy, subject, ARRAY(SELECT DISTINCT hashtextextended(key, 0)
                    FROM unnest(reaches) AS key), leads, again_at FROM now
                ON CONFLICT (copy, subject) DO UPDATE SET reaches = excluded.reaches, leads = excluded.leads, again_at = excluded.again_at
            )
            SELECT DISTINCT lead FROM (
                (SELECT subject, unnest(leads) AS lead FROM before EXCEPT SELECT subject, unnest(leads) FROM now)
                UNION ALL (SELECT subject, unnest(leads) FROM now EXCEPT SELECT subject, unnest(leads) FROM before)
            ) other
            SQL, [
            'examined' => self::json(array_map(static fn (ExaminedSubject $one): array => $one->row(), $examined)),
            'copy' => $name->value,
            'subjects' => PgArray::of($subjects),
        ]);

        return array_values(array_filter($changed, \is_string(...)));
    }

    /**
     * @param list<string>          $subjects that were to be looked at
     * @param list<ExaminedSubject> $examined
     */
    public function keepFound(CopyName $name, array $subjects, array $examined, \DateTimeImmutable $moment, string $person): void
    {
        // What both copies have is as old as the older of the two.
        $this->connection->executeStatement(<<<'SQL'
            WITH now AS (SELECT *
                FROM jsonb_to_recordset(CAST(:findings AS jsonb)) AS x (id text, examined text, kind text, broken boolean, subject_type
                text, subject_id text, name text, within text, place text, details jsonb, met text[], says text)),
            gone AS (DELETE FROM journal.finding WHERE copy = :copy AND examined = ANY (CAST(:subjects AS text[]))
                AND id NOT IN (SELECT id FROM now))
            INSERT INTO journal.finding (copy, id, examined, kind, broken, subject_type, subject_id, name, within, place, details, met,
                says, visits, since, person)
            SELECT :copy, n.id, n.examined, n.kind, n.broken, n.subject_type, n.subject_id, n.name, n.within, n.place, n.details, n.met,
                n.says,
                COALESCE((SELECT sum(v.count) FROM journal.visit v WHERE v.address = ANY (n.met)
                    AND v.day > journal.utc_day() - 30), 0), COALESCE(o.since, :now), COALESCE(o.person, :person)
            FROM now n LEFT JOIN LATERAL (SELECT f.since, f.person FROM journal.finding f WHERE f.copy = :other
                AND f.id = n.id OFFSET 0) o ON true
            ON CONFLICT (copy, id) DO UPDATE
                SET examined = excluded.examined, name = excluded.name, within = excluded.within, place = excluded.place, details =
                excluded.details, met = excluded.met, says = excluded.says, visits = excluded.visits
            SQL, [
            'findings' => self::json(array_merge(...array_map(static fn (ExaminedSubject $one): array => $one->findings, $examined))),
            'copy' => $name->value,
            'other' => (CopyName::Live === $name ? CopyName::Workbench : CopyName::Live)->value,
            'subjects' => PgArray::of($subjects),
            'now' => $moment->format(\DATE_ATOM),
            'person' => $person,
        ]);
    }

    /**
     * Whoever asks other web sites finds there what is to be asked.
     *
     * @param list<ExaminedSubject> $examined
     */
    public function noteOutsideLinks(array $examined): void
    {
        $urls = array_merge(...array_map(static fn (ExaminedSubject $one): array => $one->outsideLinks, $examined));
        $this->connection->executeStatement(<<<'SQL'
            INSERT INTO journal.outside_answer (url)
            SELECT DISTINCT url FROM unnest(CAST(? AS text[])) AS url ORDER BY url ON CONFLICT (url) DO NOTHING
            SQL, [PgArray::of($urls)]);
    }

    /** Forgets what was looked at that is not there any more, with what was found of it. */
    public function forgetWhatIsGone(CopyName $name, string $kind, string $table): void
    {
        $this->connection->executeStatement(<<<SQL
            DELETE FROM journal.examined e WHERE e.copy = :copy AND e.subject LIKE :kind || ':%'
            AND NOT EXISTS (SELECT FROM $table t WHERE t.id = CAST(substr(e.subject, length(:kind) + 2) AS uuid))
            SQL, ['copy' => $name->value, 'kind' => $kind]);
    }

    public function forgetFindingsOfNothing(CopyName $name): void
    {
        $this->connection->executeStatement(<<<'SQL'
            DELETE FROM journal.finding f
            WHERE f.copy = :copy AND NOT EXISTS (SELECT FROM journal.examined e WHERE e.copy = :copy AND e.subject = f.examined)
            SQL, ['copy' => $name->value]);
    }

    /** @param list<array<string, mixed>> $rows */
    private static function json(array $rows): string
    {
        return json_encode($rows, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE | \JSON_UNESCAPED_UNICODE);
    }
}

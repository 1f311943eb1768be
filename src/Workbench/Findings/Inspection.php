<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Finding\DistanceContent;
use Lantern\Core\Finding\Examination;
use Lantern\Core\Finding\FrameContent;
use Lantern\Core\Finding\Reach;
use Lantern\Core\Release\CopyName;
use Lantern\Reading\Copies\Copy;
use Lantern\Reading\Copies\PgArray;
use Lantern\Reading\Copies\Row;
use Lantern\Reading\Findings\Contents;
use Lantern\Reading\Findings\CopyKnowledge;
use Lantern\Reading\Mentions\Distances;
use Lantern\Reading\Menus\Frame;
use Lantern\Reading\Pieces\PictureReader;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Looks the shop over, and keeps what it found. After an edit only what looked at something that changed is looked at again:
 * each look has written down what it asked for. A walk over everything finds the same.
 */
final readonly class Inspection
{
    /** More changes than these are work for a worker: nobody waits for them. */
    private const MOST_AT_ONCE = 5000;
    private const BATCH = ['redirect' => 2000, 'mention' => 1000, 'words' => 250, 'menu' => 100, 'place' => 1000];

    /** Places are looked at when it is known what leads to them. */
    private const FIRST = ['redirect', 'mention', 'words', 'menu'];
    private const TABLES = ['redirect' => 'redirect', 'mention' => 'journal.outside_mention', 'words' => 'words', 'menu' => 'menu', 'place' => 'place'];

    /** How long a request waits for another one that looks at the same time, in milliseconds. */
    private const WAITS = 1000;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        // Outside of the transaction, so that everybody sees how far it is.
        #[Autowire(service: 'doctrine.dbal.live_connection')] private Connection $aside,
        private Frame $frame,
        private PictureReader $pictures,
        private Distances $distances,
        private ClockInterface $clock,
    ) {
    }

    /**
     * Looks at what changed since the last time, but for how far places are: see `catchUpFar`.
     *
     * @return bool whether what is kept is of now; else there is too much to look at, and a worker should walk over everything
     */
    public function catchUp(CopyName $name): bool
    {
        if (!$this->isDue($name)) {
            return true;
        }

        return $this->connection->transactional(function () use ($name): bool {
            for ($waited = 0; !$this->lock($name); $waited += 20) {
                if ($waited >= self::WAITS) {
                    return false;
                }
                usleep(20_000);
            }
            if ($this->needsWalk($name)) {
                return false;
            }
            $this->see($name);
            $moment = $this->clock->now();
            $this->passDates($name, $moment);
            $due = $this->connection->fetchAllAssociative('DELETE FROM journal.due WHERE copy = ? AND subject IS DISTINCT FROM ? RETURNING subject, to_jsonb(keys) AS keys, person', [$name->value, DistanceContent::KEY]);
            $subjects = $keys = $people = [];
            foreach ($due as $columns) {
                $row = new Row($columns);
                $subjects[$row->text('subject')] = true;
                $people[$row->text('person')] = true;
                foreach ($row->texts('keys') as $key) {
                    $keys[$key] = true;
                }
            }
            unset($subjects[''], $people['']);
            $person = 1 === \count($people) ? (string) array_key_first($people) : '';
            $subjects = array_values(array_unique([...array_map(strval(...), array_keys($subjects)), ...$this->reaching($name, array_map(strval(...), array_keys($keys)), $moment)]));
            if (\count($subjects) > self::MOST_AT_ONCE) {
                $this->connection->executeStatement("INSERT INTO journal.due (copy, subject, keys, person) VALUES (?, '*', '{}', ?)", [$name->value, $person]);
                $this->see(CopyName::Workbench);

                return false;
            }
            $this->lookAt($name, $subjects, $moment, $person);
            $this->connection->executeStatement('UPDATE journal.look SET caught_at = :now WHERE copy = :copy', ['now' => $moment->format(\DATE_ATOM), 'copy' => $name->value]);
            $this->see(CopyName::Workbench);

            return true;
        });
    }

    /**
     * Looks at how far places are from the front page, where a way may have changed. That asks for many ways, most edits may change
     * one, and nothing is broken by it: so a worker does it, soon, and nobody who edits waits for it.
     */
    public function catchUpFar(CopyName $name): void
    {
        $this->connection->transactional(function () use ($name): void {
            $moment = $this->clock->now();
            $due = $this->connection->fetchOne(<<<'SQL'
                SELECT 1 WHERE EXISTS (SELECT FROM journal.due WHERE copy = :copy AND subject = :far)
                OR EXISTS (SELECT FROM journal.examined WHERE copy = :copy AND subject = :far AND again_at <= :now)
                SQL, ['copy' => $name->value, 'far' => DistanceContent::KEY, 'now' => $moment->format(\DATE_ATOM)]);
            if (false === $due || !$this->lock($name)) {
                return;
            }
            $this->connection->executeStatement('DELETE FROM journal.due WHERE copy = ? AND subject = ?', [$name->value, DistanceContent::KEY]);
            $this->see($name);
            $this->examineAgain($name, [DistanceContent::KEY], $moment, '');
            $this->see(CopyName::Workbench);
        });
    }

    /**
     * Walks over everything.
     *
     * @param \Closure(int, int): void|null $tell how many of how many were looked at
     */
    public function walk(CopyName $name, ?\Closure $tell = null): void
    {
        $this->connection->transactional(function () use ($name, $tell): void {
            $this->connection->executeStatement('SELECT pg_advisory_xact_lock(hashtext(?))', ["lantern findings $name->value"]);
            $this->see($name);
            $moment = $this->clock->now();
            $this->connection->executeStatement('DELETE FROM journal.due WHERE copy = ?', [$name->value]);
            $this->connection->executeStatement('DELETE FROM journal.examined WHERE copy = ?', [$name->value]);
            $of = 0;
            foreach (self::TABLES as $table) {
                $count = $this->connection->fetchOne("SELECT count(*) FROM $table");
                $of += is_numeric($count) ? (int) $count : 0;
            }
            $done = 0;
            foreach (self::TABLES as $kind => $table) {
                if ('place' === $kind) {
                    // What leads to places is asked now, of what was written a moment ago.
                    $this->connection->executeQuery("SELECT journal.measure('journal.examined')");
                }
                for ($last = '00000000-0000-0000-0000-000000000000';;) {
                    $ids = array_values(array_filter($this->connection->fetchFirstColumn("SELECT id FROM $table WHERE id > CAST(? AS uuid) ORDER BY id LIMIT ".self::BATCH[$kind], [$last]), \is_string(...)));
                    if ([] === $ids) {
                        break;
                    }
                    $last = $ids[\count($ids) - 1];
                    $this->examineAnew($name, array_map(static fn (string $id): string => "$kind:$id", $ids), $moment);
                    $done += \count($ids);
                    $this->tell($name, $done, $of);
                    null === $tell || $tell($done, $of);
                }
            }
            $this->examineAnew($name, [FrameContent::KEY, DistanceContent::KEY], $moment);
            $this->connection->executeStatement('DELETE FROM journal.finding f WHERE f.copy = :copy AND NOT EXISTS (SELECT FROM journal.examined e WHERE e.copy = :copy AND e.subject = f.examined)', ['copy' => $name->value]);
            $this->connection->executeStatement('UPDATE journal.look SET whole_at = :now, caught_at = :now, done = 0, "of" = 0 WHERE copy = :copy', ['now' => $moment->format(\DATE_ATOM), 'copy' => $name->value]);
            $this->see(CopyName::Workbench);
        });
    }

    /** Whether something changed, or a date passed, since the copy was looked at the last time. */
    private function isDue(CopyName $name): bool
    {
        $schema = $name->value;

        return false !== $this->connection->fetchOne(<<<SQL
            SELECT 1 FROM journal.look l WHERE l.copy = :copy AND (
                l.whole_at IS NULL OR EXISTS (SELECT FROM journal.due d WHERE d.copy = :copy AND d.subject IS DISTINCT FROM :far)
                OR EXISTS (SELECT FROM journal.examined e WHERE e.copy = :copy AND e.again_at <= :now AND e.subject <> :far)
                OR EXISTS (SELECT FROM $schema.place p WHERE p.opens_on > l.caught_at AND p.opens_on <= :now)
                OR EXISTS (SELECT FROM $schema.place p WHERE p.closes_on > l.caught_at AND p.closes_on <= :now)
            )
            SQL, ['copy' => $schema, 'now' => $this->clock->now()->format(\DATE_ATOM), 'far' => DistanceContent::KEY]);
    }

    /** Whether more has changed than anybody would wait for, or nobody has walked yet. */
    public function needsWalk(CopyName $name): bool
    {
        return false !== $this->connection->fetchOne(<<<'SQL'
            SELECT 1 FROM journal.look l WHERE l.copy = :copy AND (
                l.whole_at IS NULL OR EXISTS (SELECT FROM journal.due d WHERE d.copy = :copy AND d.subject = '*')
                OR (SELECT count(*) FROM (SELECT FROM journal.due d WHERE d.copy = :copy LIMIT :most) few) >= :most
            )
            SQL, ['copy' => $name->value, 'most' => self::MOST_AT_ONCE]);
    }

    private function lock(CopyName $name): bool
    {
        $locked = $this->connection->fetchOne('SELECT pg_try_advisory_xact_lock(hashtext(?))', ["lantern findings $name->value"]);

        return true === $locked || 't' === $locked;
    }

    /** For the rest of the transaction the connection sees this copy; whatever comes after this in it, the workbench again. */
    private function see(CopyName $name): void
    {
        $this->connection->executeStatement("SET LOCAL search_path TO $name->value, catalogue, journal");
        $this->connection->executeStatement('SET LOCAL statement_timeout TO 0');
    }

    private function tell(CopyName $name, int $done, int $of): void
    {
        $this->aside->executeStatement('UPDATE journal.look SET done = ?, "of" = ? WHERE copy = ?', [$done, $of, $name->value]);
    }

    /** A date that passes changes what a place is, as an edit does. */
    private function passDates(CopyName $name, \DateTimeImmutable $moment): void
    {
        foreach (['opens_on', 'closes_on'] as $date) {
            $this->connection->executeStatement(<<<SQL
                INSERT INTO journal.due (copy, subject, keys, person)
                SELECT :copy, 'place:' || p.id, journal.keys_of_place(p.id, p.address, COALESCE(NULLIF(p.listing_title, ''), p.title), p.parent_id, p.kind), ''
                FROM journal.look l JOIN place p ON p.$date > l.caught_at AND p.$date <= :now WHERE l.copy = :copy
                SQL, ['copy' => $name->value, 'now' => $moment->format(\DATE_ATOM)]);
        }
    }

    /**
     * @param list<string> $keys of what changed
     *
     * @return list<string> the subjects whose look asked for one of these, or that a date has changed
     */
    private function reaching(CopyName $name, array $keys, ?\DateTimeImmutable $moment): array
    {
        $subjects = $this->connection->fetchFirstColumn(<<<'SQL'
            SELECT subject FROM journal.examined WHERE copy = :copy AND reaches && ARRAY(SELECT hashtextextended(key, 0) FROM unnest(CAST(:keys AS text[])) AS key)
            UNION SELECT subject FROM journal.examined WHERE copy = :copy AND again_at <= CAST(:now AS timestamptz)
            SQL, ['copy' => $name->value, 'keys' => PgArray::of($keys), 'now' => $moment?->format(\DATE_ATOM)]);

        return array_values(array_filter($subjects, \is_string(...)));
    }

    /** @param list<string> $subjects */
    private function lookAt(CopyName $name, array $subjects, \DateTimeImmutable $moment, string $person): void
    {
        $byKind = array_fill_keys([...self::FIRST, 'place', 'frame', 'distance'], []);
        foreach ($subjects as $subject) {
            $byKind[explode(':', $subject, 2)[0]][] = $subject;
        }
        $changed = [];
        foreach (self::FIRST as $kind) {
            foreach (array_chunk($byKind[$kind], self::BATCH[$kind]) as $some) {
                $changed = [...$changed, ...$this->examineAgain($name, $some, $moment, $person)];
            }
        }
        // What leads to a place by now, or no longer does, is for the place to say.
        $leads = array_map(Reach::leads(...), array_values(array_unique($changed)));
        $rest = array_unique([...$byKind['place'], ...$byKind['frame'], ...$byKind['distance'], ...[] === $leads ? [] : $this->reaching($name, [...$leads, Reach::leads('')], null)]);
        $near = array_values(array_diff($rest, [DistanceContent::KEY]));
        foreach (array_chunk($near, self::BATCH['place']) as $some) {
            $this->examineAgain($name, $some, $moment, $person);
        }
        if (\count($near) < \count($rest)) {
            $this->connection->executeStatement("INSERT INTO journal.due (copy, subject, keys, person) SELECT :copy, :far, '{}', '' WHERE NOT EXISTS (SELECT FROM journal.due WHERE copy = :copy AND subject = :far)", ['copy' => $name->value, 'far' => DistanceContent::KEY]);
        }
    }

    /**
     * @param list<string> $subjects
     *
     * @return list<string> ids of the places that something leads to since, or no longer
     */
    private function examineAgain(CopyName $name, array $subjects, \DateTimeImmutable $moment, string $person): array
    {
        [$examined, $findings] = $this->examine($name, $subjects, $moment);
        $changed = $this->keepExamined($name, $subjects, $examined);
        $this->keepFound($name, $subjects, $findings, $moment, $person);

        return $changed;
    }

    /** @param list<string> $subjects of which nothing is kept any more */
    private function examineAnew(CopyName $name, array $subjects, \DateTimeImmutable $moment): void
    {
        [$examined, $findings] = $this->examine($name, $subjects, $moment);
        $this->connection->executeStatement(<<<'SQL'
            INSERT INTO journal.examined SELECT :copy, subject, ARRAY(SELECT DISTINCT hashtextextended(key, 0) FROM unnest(reaches) AS key), leads, again_at
            FROM jsonb_to_recordset(CAST(:examined AS jsonb)) AS x (subject text, reaches text[], leads uuid[], again_at timestamptz)
            SQL, ['examined' => self::json($examined), 'copy' => $name->value]);
        $this->keepFound($name, $subjects, $findings, $moment, '');
    }

    /**
     * @param list<string> $subjects
     *
     * @return array{list<array<string, mixed>>, list<array<string, mixed>>} what was looked at, and what was found
     */
    private function examine(CopyName $name, array $subjects, \DateTimeImmutable $moment): array
    {
        // What this connection sees, and nothing that another one has kept.
        $copy = new Copy($name, $this->connection);
        $known = new CopyKnowledge($copy, $this->connection, $moment);
        $contents = (new Contents($copy, $this->connection, $this->frame, $this->pictures, $this->distances, $moment))->read($subjects, $known);
        $examined = $findings = $urls = [];
        foreach ($contents as $content) {
            $examination = new Examination($known, $moment);
            $content->examine($examination);
            $examined[] = ['subject' => $content->key(), 'reaches' => $examination->shop->reaches(), 'leads' => $examination->leads(), 'again_at' => $examination->shop->nextChange()?->format(\DATE_ATOM)];
            $urls = [...$urls, ...$examination->shop->outsideLinks()];
            foreach ($examination->findings() as $finding) {
                $findings[] = FoundRow::of($finding, $content->key());
            }
        }

        // Who asks other web sites finds there what is to be asked.
        $this->connection->executeStatement('INSERT INTO journal.outside_answer (url) SELECT DISTINCT url FROM unnest(CAST(? AS text[])) AS url ON CONFLICT (url) DO NOTHING', [PgArray::of($urls)]);

        return [$examined, $findings];
    }

    /**
     * @param list<string>               $subjects
     * @param list<array<string, mixed>> $examined
     *
     * @return list<string> ids of the places that something leads to since, or no longer
     */
    private function keepExamined(CopyName $name, array $subjects, array $examined): array
    {
        $changed = $this->connection->fetchFirstColumn(<<<'SQL'
            WITH now AS (SELECT * FROM jsonb_to_recordset(CAST(:examined AS jsonb)) AS x (subject text, reaches text[], leads uuid[], again_at timestamptz)),
            before AS (SELECT subject, leads FROM journal.examined WHERE copy = :copy AND subject = ANY (CAST(:subjects AS text[]))),
            gone AS (DELETE FROM journal.examined WHERE copy = :copy AND subject = ANY (CAST(:subjects AS text[])) AND subject NOT IN (SELECT subject FROM now)),
            kept AS (
                INSERT INTO journal.examined SELECT :copy, subject, ARRAY(SELECT DISTINCT hashtextextended(key, 0) FROM unnest(reaches) AS key), leads, again_at FROM now
                ON CONFLICT (copy, subject) DO UPDATE SET reaches = excluded.reaches, leads = excluded.leads, again_at = excluded.again_at
            )
            SELECT DISTINCT lead FROM (
                (SELECT subject, unnest(leads) AS lead FROM before EXCEPT SELECT subject, unnest(leads) FROM now)
                UNION ALL (SELECT subject, unnest(leads) FROM now EXCEPT SELECT subject, unnest(leads) FROM before)
            ) other
            SQL, ['examined' => self::json($examined), 'copy' => $name->value, 'subjects' => PgArray::of($subjects)]);

        return array_values(array_filter($changed, \is_string(...)));
    }

    /**
     * @param list<string>               $subjects
     * @param list<array<string, mixed>> $findings
     */
    private function keepFound(CopyName $name, array $subjects, array $findings, \DateTimeImmutable $moment, string $person): void
    {
        // What both copies have is as old as the older of the two.
        $this->connection->executeStatement(<<<'SQL'
            WITH now AS (SELECT * FROM jsonb_to_recordset(CAST(:findings AS jsonb)) AS x (id text, examined text, kind text, broken boolean, subject_type text, subject_id text, name text, within text, place text, details jsonb, met text[], says text)),
            gone AS (DELETE FROM journal.finding WHERE copy = :copy AND examined = ANY (CAST(:subjects AS text[])) AND id NOT IN (SELECT id FROM now))
            INSERT INTO journal.finding (copy, id, examined, kind, broken, subject_type, subject_id, name, within, place, details, met, says, visits, since, person)
            SELECT :copy, n.id, n.examined, n.kind, n.broken, n.subject_type, n.subject_id, n.name, n.within, n.place, n.details, n.met, n.says,
                COALESCE((SELECT sum(v.count) FROM journal.visit v WHERE v.address = ANY (n.met) AND v.day > CURRENT_DATE - 30), 0), COALESCE(o.since, :now), COALESCE(o.person, :person)
            FROM now n LEFT JOIN journal.finding o ON o.id = n.id AND o.copy <> :copy
            ON CONFLICT (copy, id) DO UPDATE SET examined = excluded.examined, name = excluded.name, within = excluded.within, place = excluded.place, details = excluded.details, met = excluded.met, says = excluded.says, visits = excluded.visits
            SQL, ['findings' => self::json($findings), 'copy' => $name->value, 'subjects' => PgArray::of($subjects), 'now' => $moment->format(\DATE_ATOM), 'person' => $person]);
    }

    /** @param list<array<string, mixed>> $rows */
    private static function json(array $rows): string
    {
        return json_encode($rows, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE | \JSON_UNESCAPED_UNICODE);
    }
}

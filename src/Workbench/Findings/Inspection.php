<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Lantern\Core\Finding\DistanceContent;
use Lantern\Core\Finding\Examination;
use Lantern\Core\Finding\FrameContent;
use Lantern\Core\Finding\Reach;
use Lantern\Core\Release\CopyName;
use Lantern\Reading\Copies\Copy;
use Lantern\Reading\Findings\Contents;
use Lantern\Reading\Findings\CopyKnowledge;
use Lantern\Reading\Frame\Frame;
use Lantern\Reading\Mentions\Distances;
use Lantern\Reading\Pieces\PictureReader;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;
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

    /** What a worker looks at in one transaction. */
    private const PART = 1000;
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
        #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl,
    ) {
    }

    /**
     * Looks at what changed since the last time, but for how far places are: see `catchUpFar`.
     *
     * @return bool whether what is kept is of now; else there is too much to look at while somebody waits, and a worker should
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
            if ($this->isMuch($name)) {
                return false;
            }

            return $this->lookAtPart($name, self::MOST_AT_ONCE);
        });
    }

    /**
     * The same for a worker, however much it is: by parts, each with a short transaction of its own, so that whoever edits or publishes
     * meanwhile waits for none of it. Whoever dies on the way leaves the rest for the next.
     */
    public function catchUpByParts(CopyName $name): void
    {
        if ($this->needsWalk($name)) {
            $this->walk($name, yields: true);

            return;
        }
        while ($this->isDue($name) && !$this->needsWalk($name)) {
            $begun = hrtime(true);
            $this->connection->transactional(function () use ($name): void {
                $this->awaitLock($name);
                $this->lookAtPart($name, self::PART);
            });
            $this->giveWay($begun);
        }
        // From now on a worker may be asked again.
        $this->connection->executeStatement('UPDATE journal.look SET asked_at = NULL WHERE copy = ?', [$name->value]);
    }

    /**
     * Looks at what the oldest of the changes reached. What is more than a part is written down as due by itself.
     *
     * @return bool whether nothing is left of what was due
     */
    private function lookAtPart(CopyName $name, int $most): bool
    {
        $this->see($name);
        $moment = $this->clock->now();
        $this->passDates($name, $moment);
        $due = $this->connection->fetchAllAssociative('DELETE FROM journal.due WHERE id IN (SELECT id FROM journal.due WHERE copy = ? AND subject IS DISTINCT FROM ? ORDER BY id LIMIT ?) RETURNING subject, to_jsonb(keys) AS keys, person', [$name->value, DistanceContent::KEY, $most], [2 => ParameterType::INTEGER]);
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
        $later = \array_slice($subjects, $most);
        if ([] !== $later) {
            $this->connection->executeStatement("INSERT INTO journal.due (copy, subject, keys, person) SELECT :copy, subject, '{}', :person FROM unnest(CAST(:subjects AS text[])) AS subject", ['copy' => $name->value, 'person' => $person, 'subjects' => PgArray::of($later)]);
        }
        $this->lookAt($name, \array_slice($subjects, 0, $most), $moment, $person);
        $this->connection->executeStatement('UPDATE journal.look SET caught_at = :now WHERE copy = :copy', ['now' => $moment->format(\DATE_ATOM), 'copy' => $name->value]);
        $this->see(CopyName::Workbench);

        return [] === $later && \count($due) < $most;
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
     * Walks over everything, by parts, each with a short transaction of its own: what is edited meanwhile is looked at between them, and
     * what was due before it began is done when it ends. Only one walks over a copy at a time.
     *
     * @param \Closure(int, int): void|null $tell   how many of how many were looked at
     * @param bool                          $yields whether it goes slowly while others are at work
     */
    public function walk(CopyName $name, ?\Closure $tell = null, bool $yields = false): void
    {
        if (!$this->isTrue('SELECT pg_try_advisory_lock(hashtext(?))', ["lantern walk $name->value"])) {
            return;
        }
        try {
            $before = $this->connection->fetchOne('SELECT CAST(pg_snapshot_xmin(pg_current_snapshot()) AS text)');
            $moment = $this->clock->now();
            $of = 0;
            foreach (self::TABLES as $table) {
                $count = $this->connection->fetchOne('SELECT count(*) FROM '.self::of($name, $table));
                $of += is_numeric($count) ? (int) $count : 0;
            }
            $done = 0;
            foreach (self::TABLES as $kind => $table) {
                if ('place' === $kind) {
                    // What leads to places is asked now, of what was written a moment ago.
                    $this->connection->executeQuery("SELECT journal.measure('journal.examined')");
                }
                for ($last = '00000000-0000-0000-0000-000000000000'; null !== $last;) {
                    $begun = hrtime(true);
                    [$last, $looked] = $this->walkOn($name, $kind, $table, $last, $moment);
                    $done += $looked;
                    $this->tell($name, $done, $of);
                    null === $tell || $tell($done, $of);
                    $yields && $this->giveWay($begun);
                }
            }
            $this->endWalk($name, $moment, \is_string($before) ? $before : '0');
        } finally {
            $this->connection->executeQuery('SELECT pg_advisory_unlock(hashtext(?))', ["lantern walk $name->value"]);
        }
    }

    /** @return array{string|null, int} the last one that was looked at, null: it was the last of all; and how many were */
    private function walkOn(CopyName $name, string $kind, string $table, string $after, \DateTimeImmutable $moment): array
    {
        return $this->connection->transactional(function () use ($name, $kind, $table, $after, $moment): array {
            $this->awaitLock($name);
            $this->see($name);
            $ids = array_values(array_filter($this->connection->fetchFirstColumn("SELECT id FROM $table WHERE id > CAST(? AS uuid) ORDER BY id LIMIT ".self::BATCH[$kind], [$after]), \is_string(...)));
            if ([] !== $ids) {
                $this->examineAgain($name, array_map(static fn (string $id): string => "$kind:$id", $ids), $moment, '');
            }
            $this->see(CopyName::Workbench);

            return [\count($ids) < self::BATCH[$kind] ? null : $ids[\count($ids) - 1], \count($ids)];
        });
    }

    /** @param string $before the oldest transaction that went on when the walk began: what those before it left due is done by now */
    private function endWalk(CopyName $name, \DateTimeImmutable $moment, string $before): void
    {
        $this->connection->transactional(function () use ($name, $moment, $before): void {
            $this->awaitLock($name);
            $this->see($name);
            $this->examineAgain($name, [FrameContent::KEY, DistanceContent::KEY], $moment, '');
            foreach (self::TABLES as $kind => $table) {
                $this->connection->executeStatement("DELETE FROM journal.examined e WHERE e.copy = :copy AND e.subject LIKE '$kind:%' AND NOT EXISTS (SELECT FROM $table t WHERE t.id = CAST(substr(e.subject, ".(\strlen($kind) + 2).') AS uuid))', ['copy' => $name->value]);
            }
            $this->connection->executeStatement('DELETE FROM journal.finding f WHERE f.copy = :copy AND NOT EXISTS (SELECT FROM journal.examined e WHERE e.copy = :copy AND e.subject = f.examined)', ['copy' => $name->value]);
            $this->connection->executeStatement('DELETE FROM journal.due WHERE copy = ? AND tx < CAST(? AS xid8)', [$name->value, $before]);
            $this->connection->executeStatement('UPDATE journal.look SET whole_at = :now, caught_at = greatest(caught_at, :now), asked_at = NULL, done = 0, "of" = 0 WHERE copy = :copy', ['now' => $moment->format(\DATE_ATOM), 'copy' => $name->value]);
            $this->see(CopyName::Workbench);
        });
    }

    /** Waits as long as the part took, and no longer than a second, where somebody else is at work in the database. */
    private function giveWay(int $begun): void
    {
        if ($this->isTrue("SELECT EXISTS (SELECT FROM pg_stat_activity WHERE datname = current_database() AND application_name LIKE 'lantern%' AND state = 'active' AND pid <> pg_backend_pid())")) {
            usleep(min(1_000_000, intdiv(hrtime(true) - $begun, 1000)));
        }
    }

    private function awaitLock(CopyName $name): void
    {
        $this->connection->executeQuery('SELECT pg_advisory_xact_lock(hashtext(?))', ["lantern findings $name->value"]);
    }

    /** @param list<string>|array<string, string> $parameters */
    private function isTrue(string $sql, array $parameters = []): bool
    {
        return \in_array($this->connection->fetchOne($sql, $parameters), [true, 't'], true);
    }

    /** A table as the copy has it; what is of neither stands in the journal. */
    private static function of(CopyName $name, string $table): string
    {
        return str_contains($table, '.') ? $table : "$name->value.$table";
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

    /** Whether nobody has walked yet, or so much changed that it was not written down what. */
    public function needsWalk(CopyName $name): bool
    {
        return $this->isTrue("SELECT EXISTS (SELECT FROM journal.look l WHERE l.copy = :copy AND (l.whole_at IS NULL OR EXISTS (SELECT FROM journal.due d WHERE d.copy = :copy AND d.subject = '*')))", ['copy' => $name->value]);
    }

    /** Whether more has changed than anybody would wait for. */
    public function isMuch(CopyName $name): bool
    {
        return $this->needsWalk($name) || $this->isTrue('SELECT count(*) >= CAST(:most AS integer) FROM (SELECT FROM journal.due d WHERE d.copy = :copy LIMIT CAST(:most AS integer)) few', ['copy' => $name->value, 'most' => (string) self::MOST_AT_ONCE]);
    }

    private function lock(CopyName $name): bool
    {
        return $this->isTrue('SELECT pg_try_advisory_xact_lock(hashtext(?))', ["lantern findings $name->value"]);
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

    /**
     * @param list<string> $subjects
     *
     * @return array{list<array<string, mixed>>, list<array<string, mixed>>} what was looked at, and what was found
     */
    private function examine(CopyName $name, array $subjects, \DateTimeImmutable $moment): array
    {
        // What this connection sees, and nothing that another one has kept.
        $copy = new Copy($name, $this->connection);
        $known = new CopyKnowledge($copy, $this->connection, $moment, $this->pictures, $this->storefrontUrl);
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
        $this->connection->executeStatement('INSERT INTO journal.outside_answer (url) SELECT DISTINCT url FROM unnest(CAST(? AS text[])) AS url ORDER BY url ON CONFLICT (url) DO NOTHING', [PgArray::of($urls)]);

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
                COALESCE((SELECT sum(v.count) FROM journal.visit v WHERE v.address = ANY (n.met) AND v.day > journal.utc_day() - 30), 0), COALESCE(o.since, :now), COALESCE(o.person, :person)
            FROM now n LEFT JOIN LATERAL (SELECT f.since, f.person FROM journal.finding f WHERE f.copy = :other AND f.id = n.id OFFSET 0) o ON true
            ON CONFLICT (copy, id) DO UPDATE SET examined = excluded.examined, name = excluded.name, within = excluded.within, place = excluded.place, details = excluded.details, met = excluded.met, says = excluded.says, visits = excluded.visits
            SQL, ['findings' => self::json($findings), 'copy' => $name->value, 'other' => (CopyName::Live === $name ? CopyName::Workbench : CopyName::Live)->value, 'subjects' => PgArray::of($subjects), 'now' => $moment->format(\DATE_ATOM), 'person' => $person]);
    }

    /** @param list<array<string, mixed>> $rows */
    private static function json(array $rows): string
    {
        return json_encode($rows, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE | \JSON_UNESCAPED_UNICODE);
    }
}

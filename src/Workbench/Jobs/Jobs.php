<?php

declare(strict_types=1);

namespace Lantern\Workbench\Jobs;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Person\Role;
use Lantern\Core\Refused;
use Lantern\Reading\Sql\Row;
use Lantern\Workbench\Audit\AuditLog;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Uid\UuidV7;

/** Asks for jobs, tells how far they are, and stops them. What a job does itself is in JobWorker. */
final readonly class Jobs
{
    /** What ended is told for so long to whoever comes back to it. */
    private const TOLD_AFTERWARDS = "interval '1 day'";
    /** Who asks where nobody does (RFC 9562, 5.9). */
    private const SCHEDULER_PERSON_ID = '00000000-0000-0000-0000-000000000000';
    private const COLUMNS = 'id, kind, person_id, person, input, state, step, done, "of", outcome';

    /** A job that says nothing for so long was lost with its worker. */
    private const LOST_AFTER = '1 hour';

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        // Outside of the transaction of the job itself, so that everybody sees how far it is.
        #[Autowire(service: 'doctrine.dbal.live_connection')] private Connection $aside,
        private MessageBusInterface $bus,
        private AuditLog $audit,
        private ClockInterface $clock,
        private Locks $locks,
    ) {
    }

    /**
     * @param array<mixed> $input
     * @param Actor|null  $by    null: the shop itself, by the clock
     * @param string|null  $file  what comes with it, byte for byte
     *
     * @throws Refused where as much is being done already
     */
    public function ask(JobKind $kind, array $input, ?Actor $by, ?string $file = null): Job
    {
        // The job and the message are there together, or neither is.
        return $this->connection->transactional(function () use ($kind, $input, $by, $file): Job {
            $job = $this->note($kind, $by, $input, $file);
            $this->bus->dispatch(new DoJob($job->id));

            return $job;
        });
    }

    /**
     * A job that is done by other messages than its own.
     *
     * @param array<mixed> $input
     *
     * @throws Refused where as much is being done already
     */
    public function note(JobKind $kind, ?Actor $by, array $input = [], ?string $file = null): Job
    {
        $id = (new UuidV7())->toRfc4122();
        $this->connection->transactional(function () use ($id, $kind, $input, $by, $file): void {
            $this->locks->take(Lock::Jobs);
            // What nobody has heard of for so long is done by nobody any more.
            $this->connection->executeStatement(<<<'SQL'
                UPDATE journal.job SET state = 'failed', outcome = CAST(:outcome AS jsonb), ended_at = :now WHERE kind = :kind
                AND state = 'running' AND heard_at < :lost
                SQL, [
                'outcome' => json_encode(['problem' => 'Its worker was lost, and it was not taken up again. Ask for it once more.']),
                'now' => $this->now(),
                'kind' => $kind->value,
                'lost' => $this->clock->now()->modify('-'.self::LOST_AFTER)->format(\DATE_ATOM),
            ]);
            if (false !== $this->connection->fetchOne(<<<'SQL'
                SELECT 1 FROM journal.job WHERE kind = ? AND state IN ('waiting', 'running')
                SQL, [$kind->value])) {
                throw new Refused('job', \sprintf('%s is going on already. Wait until it has ended, or stop it.', $kind->words()));
            }
            $this->connection->executeStatement(
                'INSERT INTO journal.job (id, kind, person_id, person, input, file, asked_at) VALUES (?, ?, ?, ?, ?, ?, ?)',
                [
                    $id,
                    $kind->value,
                    $by->id ?? self::SCHEDULER_PERSON_ID,
                    $by->name ?? '',
                    json_encode($input, \JSON_THROW_ON_ERROR),
                    $file,
                    $this->clock->now()->format('Y-m-d H:i:s.uP'),
                ],
                [
                    ParameterType::STRING,
                    ParameterType::STRING,
                    ParameterType::STRING,
                    ParameterType::STRING,
                    ParameterType::STRING,
                    null === $file ? ParameterType::NULL : ParameterType::LARGE_OBJECT,
                    ParameterType::STRING,
                ],
            );
        });

        return $this->get($id);
    }

    /** @throws NotThere */
    public function get(string $id): Job
    {
        return $this->jobs('WHERE id = ?', [$id])[0] ?? throw new NotThere('There is no such job.');
    }

    /** @return list<Job> those that wait or run, and those of a person that ended a moment ago; the latest first */
    public function current(string $personId): array
    {
        return $this->jobs(
            "WHERE state IN ('waiting', 'running') OR person_id = ? AND ended_at > journal.moment() - ".self::TOLD_AFTERWARDS
                .' ORDER BY asked_at DESC, id DESC LIMIT 20',
            [$personId],
        );
    }

    /** What was sent with it; null where nothing was. */
    public function file(string $id): ?string
    {
        $file = $this->connection->fetchOne('SELECT file FROM journal.job WHERE id = ?', [$id]);

        return match (true) {
            \is_resource($file) => (string) stream_get_contents($file),
            \is_string($file) => $file,
            default => null,
        };
    }

    /**
     * It ends as soon as it looks, and keeps nothing; where nobody began it yet, at once. Whoever asked for it may, and owners.
     *
     * @throws NotThere|Refused
     */
    public function stop(string $id, Actor $by): Job
    {
        $this->connection->transactional(function () use ($id, $by): void {
            $job = $this->get($id);
            if ($job->personId !== $by->id && Role::Owner !== $by->role) {
                throw new Refused(
                    'job',
                    \sprintf(
                        '%s was asked for by %s. They may stop it, and owners may.',
                        $job->kind->words(),
                        '' === $job->person ? 'the shop itself' : $job->person,
                    ),
                );
            }
            $stopped = $this->connection->executeStatement(<<<'SQL'
                UPDATE journal.job
                SET stop = true, state = CASE state WHEN 'waiting' THEN 'stopped' ELSE state END, ended_at = CASE state WHEN 'waiting'
                THEN CAST(:now AS timestamptz) END WHERE id = :id AND state IN ('waiting', 'running') AND NOT stop
                SQL, ['id' => $id, 'now' => $this->clock->now()->format(\DATE_ATOM)]);
            if (0 !== $stopped) {
                $this->audit->add($by, 'job-stopped', ['job' => $job->kind->words(), 'whoId' => $job->personId, 'who' => $job->person]);
            }
        });

        return $this->get($id);
    }

    /** @throws Stopped where somebody asked for that */
    public function tell(string $id, string $step, int $done, int $of): void
    {
        $stop = $this->aside->fetchOne(<<<'SQL'
            UPDATE journal.job SET step = ?, done = ?, "of" = ?, heard_at = ? WHERE id = ? RETURNING stop
            SQL, [$step, $done, $of, $this->now(), $id]);
        if (true === $stop || 't' === $stop) {
            throw new Stopped();
        }
    }

    /** Whether a job is to be done now: not where it has ended already. */
    public function begin(string $id): ?Job
    {
        $begun = $this->connection->executeStatement(<<<'SQL'
            UPDATE journal.job SET state = 'running', step = '', done = 0, "of" = 0, heard_at = ? WHERE id = ?
            AND state IN ('waiting', 'running')
            SQL, [$this->now(), $id]);

        return 0 === $begun ? null : $this->get($id);
    }

    /** The same, where what was done before stays done. */
    public function goOn(string $id): ?Job
    {
        $begun = $this->connection->executeStatement(<<<'SQL'
            UPDATE journal.job SET state = 'running', heard_at = ? WHERE id = ? AND state IN ('waiting', 'running')
            SQL, [$this->now(), $id]);

        return 0 === $begun ? null : $this->get($id);
    }

    private function now(): string
    {
        return $this->clock->now()->format(\DATE_ATOM);
    }

    /**
     * In the transaction of the job itself: what it did and that it did are kept together.
     *
     * @param array<mixed> $outcome
     */
    public function end(string $id, JobState $state, array $outcome): void
    {
        $this->connection->executeStatement(<<<'SQL'
            UPDATE journal.job SET state = ?, outcome = ?, file = NULL, ended_at = ? WHERE id = ?
            SQL, [
            $state->value,
            json_encode($outcome, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE),
            $this->now(),
            $id,
        ]);
    }

    /**
     * @param list<string> $parameters
     *
     * @return list<Job>
     */
    private function jobs(string $which, array $parameters): array
    {
        return array_map(static function (array $columns): Job {
            $row = new Row($columns);

            return new Job(
                $row->text('id'),
                JobKind::from($row->text('kind')),
                $row->text('person_id'),
                $row->text('person'),
                $row->json('input'),
                JobState::from($row->text('state')),
                $row->text('step'),
                $row->int('done'),
                $row->int('of'),
                null === $row->textOrNull('outcome') ? null : $row->json('outcome'),
            );
        }, $this->connection->fetchAllAssociative('SELECT '.self::COLUMNS." FROM journal.job $which", $parameters));
    }
}

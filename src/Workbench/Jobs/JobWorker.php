<?php

declare(strict_types=1);

namespace Lantern\Workbench\Jobs;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Person\Role;
use Lantern\Core\Refused;
use Lantern\Core\Release\ChangedSince;
use Lantern\Core\Stale;
use Lantern\Reading\Sql\Away;
use Lantern\Workbench\Edits\Progress;
use Lantern\Workbench\People\Person;
use Psr\Log\LoggerInterface;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\Exception\RecoverableMessageHandlingException;

/**
 * Does jobs. Each is one transaction, and that it was done is part of it: a worker that dies leaves nothing behind, the
 * message comes again, and whoever takes it begins the job again; one that was done is not done twice.
 */
#[AsMessageHandler(sign: true)]
final readonly class JobWorker
{
    /** @param iterable<KindOfJob> $kinds */
    public function __construct(
        private Jobs $jobs,
        private EntityManagerInterface $entities,
        #[AutowireIterator(KindOfJob::class)] private iterable $kinds,
        private LoggerInterface $logger,
    ) {
    }

    public function __invoke(DoJob $message): void
    {
        $job = $this->jobs->begin($message->id);
        if (null === $job) {
            return;
        }
        try {
            $this->entities->clear();
            $progress = new Progress(fn (string $step, int $done, int $of) => $this->jobs->tell($job->id, $step, $done, $of));
            $kind = $this->kindOf($job);
            $kind->do($job, $this->stillMay($job, $kind), $progress);
        } catch (Stopped) {
            $this->jobs->end($job->id, JobState::Stopped, []);
        } catch (Refused|NotThere|ChangedSince|Stale $refused) {
            $this->jobs->end($job->id, JobState::Failed, ['problem' => $refused->getMessage()]);
        } catch (\Throwable $failure) {
            if (Away::explains($failure)) {
                throw new RecoverableMessageHandlingException(
                    'The database is away; the job begins again when it is back.',
                    previous: $failure,
                    retryDelay: 2000,
                );
            }
            $this->logger->critical('A job failed: {why}', ['why' => $failure->getMessage(), 'exception' => $failure, 'job' => $job->id]);
            $this->jobs->end(
                $job->id,
                JobState::Failed,
                ['problem' => \sprintf(
                    'Something went wrong, and nothing was changed. Try again; if it happens again, the log of the server says what it was '
                        .'under %s.',
                    $job->id,
                )],
            );
        }
    }

    /**
     * Whoever asked may have been let go since, or may do less.
     *
     * @throws Refused
     */
    private function stillMay(Job $job, KindOfJob $kind): Actor
    {
        $person = $this->entities->find(Person::class, $job->personId);
        if (null === $person || null !== $person->leftAt) {
            throw new Refused('person', \sprintf('%s asked for this and does not work here any more. Nothing was changed.', $job->person));
        }
        if (!$kind->mayBeDoneBy(Role::from($person->role))) {
            throw new Refused('person', \sprintf('%s asked for this and may no longer do it. Nothing was changed.', $person->name));
        }

        return $person->actor();
    }

    private function kindOf(Job $job): KindOfJob
    {
        foreach ($this->kinds as $one) {
            if ($one->kind() === $job->kind) {
                return $one;
            }
        }

        throw new \LogicException(\sprintf('Nobody does jobs of the kind %s by its own message.', $job->kind->value));
    }
}

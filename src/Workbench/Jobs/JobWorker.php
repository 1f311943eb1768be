<?php

declare(strict_types=1);

namespace Lantern\Workbench\Jobs;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Role;
use Lantern\Core\Refused;
use Lantern\Interchange\Csv\RedirectCsv;
use Lantern\Reading\Copies\Away;
use Lantern\Workbench\Addresses\AddressEditor;
use Lantern\Workbench\Addresses\AddressWish;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\Progress;
use Lantern\Workbench\Edits\Stale;
use Lantern\Workbench\Edits\UnitOfWork;
use Lantern\Workbench\Entity\Person;
use Lantern\Workbench\Publishing\ChangedSince;
use Lantern\Workbench\Publishing\Publisher;
use Lantern\Workbench\Redirects\RedirectEditor;
use Psr\Log\LoggerInterface;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\Exception\RecoverableMessageHandlingException;

/**
 * Does jobs. Each is one transaction, and that it was done is part of it: a worker that dies leaves nothing behind, the
 * message comes again, and whoever takes it begins the job again; one that was done is not done twice.
 */
#[AsMessageHandler(sign: true)]
final readonly class JobWorker
{
    public function __construct(
        private Jobs $jobs,
        private EntityManagerInterface $entities,
        private UnitOfWork $work,
        private Publisher $publisher,
        private AddressEditor $addresses,
        private RedirectEditor $redirects,
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
            $person = $this->stillMay($job);
            match ($job->kind) {
                JobKind::Publish => $this->publish($job, $person, $progress),
                JobKind::Addresses => $this->edited($job, fn (): Edit => $this->addresses->change(self::wishes($job->input), $person, $progress)),
                JobKind::Redirects => $this->takeRedirects($job, $person, $progress),
                JobKind::Outside => throw new \LogicException('Other web sites are asked by messages of their own.'),
            };
        } catch (Stopped) {
            $this->jobs->end($job->id, JobState::Stopped, []);
        } catch (Refused|NotThere|ChangedSince|Stale $refused) {
            $this->jobs->end($job->id, JobState::Failed, ['problem' => $refused->getMessage()]);
        } catch (\Throwable $failure) {
            if (Away::explains($failure)) {
                throw new RecoverableMessageHandlingException('The database is away; the job begins again when it is back.', previous: $failure, retryDelay: 2000);
            }
            $this->logger->critical('A job failed: {why}', ['why' => $failure->getMessage(), 'exception' => $failure, 'job' => $job->id]);
            $this->jobs->end($job->id, JobState::Failed, ['problem' => \sprintf('Something went wrong, and nothing was changed. Try again; if it happens again, the log of the server says what it was under %s.', $job->id)]);
        }
    }

    /**
     * Whoever asked may have been let go since, or may do less.
     *
     * @throws Refused
     */
    private function stillMay(Job $job): Person
    {
        $person = $this->entities->find(Person::class, $job->personId);
        if (null === $person || null !== $person->leftAt) {
            throw new Refused('person', \sprintf('%s asked for this and does not work here any more. Nothing was changed.', $job->person));
        }
        $role = Role::from($person->role);
        if (!(JobKind::Publish === $job->kind ? $role->mayPublish() : $role->mayEdit())) {
            throw new Refused('person', \sprintf('%s asked for this and may no longer do it. Nothing was changed.', $person->name));
        }

        return $person;
    }

    private function publish(Job $job, Person $person, Progress $progress): void
    {
        $seen = $job->input['seen'] ?? null;
        $number = $this->publisher->publish($person->actor(), \is_string($seen) ? $seen : null, $progress, fn (int $number) => $this->jobs->end($job->id, JobState::Done, ['number' => $number]));
        if (null === $number) {
            $this->jobs->end($job->id, JobState::Done, ['number' => null]);
        }
    }

    private function takeRedirects(Job $job, Person $person, Progress $progress): void
    {
        $file = fopen('php://temp', 'w+');
        if (false === $file) {
            throw new \LogicException('No memory to read a file from.');
        }
        fwrite($file, $this->jobs->file($job->id) ?? '');
        rewind($file);
        $lines = array_values(iterator_to_array(RedirectCsv::read($file), false));
        fclose($file);
        $this->edited($job, fn (): Edit => $this->redirects->take($lines, 'file', $person, $progress)->edit);
    }

    /** @param \Closure(): Edit $make */
    private function edited(Job $job, \Closure $make): void
    {
        $this->work->run(function () use ($job, $make): void {
            $edit = $make();
            $this->jobs->end($job->id, JobState::Done, ['edit' => $edit->id, 'sentence' => $edit->sentence]);
        });
    }

    /**
     * @param array<mixed> $input
     *
     * @return list<AddressWish>
     */
    private static function wishes(array $input): array
    {
        $wishes = [];
        foreach (\is_array($input['wishes'] ?? null) ? $input['wishes'] : [] as $wish) {
            if (\is_array($wish) && \is_string($wish['place'] ?? null) && \is_string($wish['seen'] ?? null) && \is_string($wish['to'] ?? null)) {
                $wishes[] = new AddressWish($wish['place'], $wish['seen'], $wish['to'], true === ($wish['below'] ?? null));
            }
        }

        return $wishes;
    }
}

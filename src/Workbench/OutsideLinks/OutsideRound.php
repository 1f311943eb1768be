<?php

declare(strict_types=1);

namespace Lantern\Workbench\OutsideLinks;

use Doctrine\DBAL\Connection;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Workbench\Jobs\Job;
use Lantern\Workbench\Jobs\JobKind;
use Lantern\Workbench\Jobs\Jobs;
use Lantern\Workbench\Jobs\JobState;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\MessageBusInterface;

/** Begins to ask all hosts whose links are due, each by messages of its own. */
final readonly class OutsideRound
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private Jobs $jobs,
        private OutsideLinks $links,
        private MessageBusInterface $bus,
    ) {
    }

    /**
     * @param Actor|null $by null: the shop itself, by the clock
     *
     * @throws Refused where it goes on already
     */
    public function begin(?Actor $by): Job
    {
        return $this->connection->transactional(function () use ($by): Job {
            $this->links->forgetWhatNothingLeadsTo();
            $job = $this->jobs->note(JobKind::Outside, $by);
            foreach ($hosts = $this->links->hosts() as $host) {
                $this->bus->dispatch(new AskHost($job->id, $host));
            }
            if ([] === $hosts) {
                $this->jobs->end($job->id, JobState::Done, ['asked' => 0]);
            }

            return $this->jobs->get($job->id);
        });
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Jobs;

use Lantern\Core\Refused;
use Lantern\Demo\DemoId;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Jobs\DoJob;
use Lantern\Workbench\Jobs\Job;
use Lantern\Workbench\Jobs\JobKind;
use Lantern\Workbench\Jobs\Jobs;
use Lantern\Workbench\Jobs\JobState;
use Lantern\Workbench\Jobs\JobWorker;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;

final class JobWorkerTest extends ShopTestCase
{
    #[DataProvider('kinds')]
    public function testDoesWhatItIsAskedOnceHoweverOftenItIsTold(JobKind $kind): void
    {
        $job = $this->asked($kind);
        self::assertSame(JobState::Waiting, $job->state);
        self::assertSame('1', $this->value('SELECT count(*) FROM journal.message'), 'a worker is told');
        $this->work($job);
        $done = $this->jobs()->get($job->id);
        self::assertSame(JobState::Done, $done->state);
        self::assertNotSame('', $done->step);
        self::assertSame($done->of, $done->done);
        $this->assertDone($kind, 1);
        $outcome = $done->outcome;
        $this->work($job);
        self::assertSame($outcome, $this->jobs()->get($job->id)->outcome);
        $this->assertDone($kind, 1);
    }

    #[DataProvider('kinds')]
    public function testKeepsNothingWhereItIsStoppedOnTheWay(JobKind $kind): void
    {
        $job = $this->asked($kind);
        // Asked as soon as it has begun, so that the first it tells is the last.
        $this->server('lantern_test')->exec(<<<'SQL'
            CREATE FUNCTION stop_it() RETURNS trigger LANGUAGE plpgsql AS 'BEGIN NEW.stop := true; RETURN NEW; END'; CREATE TRIGGER
            stop_it BEFORE UPDATE ON journal.job FOR EACH ROW WHEN (NEW.state = 'running') EXECUTE FUNCTION stop_it()
            SQL);
        $this->work($job);
        self::assertSame(JobState::Stopped, $this->jobs()->get($job->id)->state);
        $this->assertDone($kind, 0);
    }

    /** Wherever a worker is killed, nothing of the job is there; and the next worker does all of it. */
    #[DataProvider('kinds')]
    public function testIsDoneWhereverItsWorkerWasKilled(JobKind $kind): void
    {
        $job = $this->asked($kind);
        $server = $this->server('lantern_test');
        // Each time it tells how far it is, it waits for as long as it takes to be killed there.
        $server->exec(<<<'SQL'
            CREATE SEQUENCE told; CREATE FUNCTION wait_here() RETURNS trigger LANGUAGE plpgsql AS
            'BEGIN PERFORM nextval(''public.told''); PERFORM pg_sleep(0.08); RETURN NEW; END'; CREATE TRIGGER wait_here BEFORE UPDATE ON
            journal.job FOR EACH ROW EXECUTE FUNCTION wait_here()
            SQL);
        $killed = 0;
        for ($point = 1; $point <= 10; ++$point) {
            $server->exec('ALTER SEQUENCE told RESTART');
            $worker = new Process(
                [\PHP_BINARY, __DIR__.'/work.php', $job->id],
                env: ['DATABASE_URL' => $_SERVER['DATABASE_URL']],
                timeout: 60,
            );
            $worker->start();
            while ($worker->isRunning() && $point > $this->told($server)) {
                usleep(5000);
            }
            if (!$worker->isRunning()) {
                break;
            }
            $worker->signal(\SIGKILL);
            $worker->wait();
            ++$killed;
            if (JobState::Done !== $this->jobs()->get($job->id)->state) {
                $this->assertDone($kind, 0);
            }
        }
        self::assertGreaterThan(3, $killed, $worker->getOutput().$worker->getErrorOutput());
        $server->exec('DROP TRIGGER wait_here ON journal.job');
        $this->work($job);
        self::assertSame(JobState::Done, $this->jobs()->get($job->id)->state);
        $this->assertDone($kind, 1);
    }

    #[DataProvider('kinds')]
    public function testSaysWhyItCannotBeDone(JobKind $kind): void
    {
        $job = $this->asked($kind, possible: false);
        $this->work($job);
        $failed = $this->jobs()->get($job->id);
        if (JobKind::Redirects === $kind) {
            self::assertSame(JobState::Done, $failed->state, 'the good lines go in, and here is none');

            return;
        }
        self::assertSame(JobState::Failed, $failed->state);
        self::assertStringContainsString(
            JobKind::Publish === $kind ? 'Somebody changed something since you looked' : 'Somebody gave “Papers” the address',
            \is_string($failed->outcome['problem'] ?? null) ? $failed->outcome['problem'] : '',
        );
        $this->assertDone($kind, 0);
    }

    /** Whoever asked may have been let go, or do less by now, when a worker comes to it. */
    #[DataProvider('kinds')]
    public function testNothingIsDoneForSomebodyWhoMayNotAnyMore(JobKind $kind): void
    {
        foreach (["left_at = date_trunc('second', now())", "left_at = NULL, role = 'viewer'"] as $change) {
            $job = $this->asked($kind);
            $this->workbench()->executeStatement("UPDATE journal.person SET $change WHERE id = ?", [$job->personId]);
            $this->work($job);
            self::assertSame(JobState::Failed, $this->jobs()->get($job->id)->state);
            $this->assertDone($kind, 0);
        }
    }

    public function testAJobWhoseWorkerWasLostLongAgoStandsInNobodysWay(): void
    {
        $job = $this->asked(JobKind::Redirects);
        $this->workbench()->executeStatement("UPDATE journal.job SET state = 'running', heard_at = now() - interval '2 hours'");
        self::assertNotSame($job->id, $this->asked(JobKind::Redirects)->id);
        self::assertSame(JobState::Failed, $this->jobs()->get($job->id)->state);
    }

    public function testTwoOfAKindAreNotDoneAtOnce(): void
    {
        $first = $this->asked(JobKind::Redirects);
        try {
            $this->asked(JobKind::Redirects);
            self::fail('A second one was taken.');
        } catch (Refused $refused) {
            self::assertStringContainsString('going on already', $refused->getMessage());
        }
        self::assertSame(JobState::Stopped, $this->jobs()->stop($first->id, $this->actor())->state, 'what nobody began yet ends at once');
        $this->asked(JobKind::Redirects);
        self::assertCount(2, $this->jobs()->current($this->actor()->personId()));
    }

    public function testWhatAJobDidIsTakenBackAsOne(): void
    {
        foreach ([JobKind::Addresses, JobKind::Redirects] as $kind) {
            $job = $this->asked($kind);
            $this->work($job);
            $edit = $this->jobs()->get($job->id)->outcome['edit'] ?? '';
            self::assertIsString($edit);
            $log = $this->service(EditLog::class);
            $log->takeBack($log->get($edit, $this->actor()), $this->actor());
            $this->assertDone($kind, 0);
        }
    }

    /** @return iterable<string, array{JobKind}> */
    public static function kinds(): iterable
    {
        // Asking other web sites is no edit: each answer is kept by itself.
        foreach ([JobKind::Publish, JobKind::Addresses, JobKind::Redirects] as $kind) {
            yield $kind->value => [$kind];
        }
    }

    private function asked(JobKind $kind, bool $possible = true): Job
    {
        if (JobKind::Publish === $kind) {
            $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets' WHERE address = '/papers'");
        }

        return match ($kind) {
            JobKind::Publish => $this->jobs()->ask($kind, $possible ? [] : ['seen' => 'something else'], $this->actor('publisher')),
            JobKind::Addresses => $this->jobs()->ask(
                $kind,
                ['wishes' => [[
                    'place' => DemoId::of('categories/papers'),
                    'seen' => $possible ? '/papers' : '/paper',
                    'to' => '/sheets',
                    'below' => true,
                ]]],
                $this->actor(),
            ),
            JobKind::Redirects => $this->jobs()->ask(
                $kind,
                [],
                $this->actor(),
                "source,target\n/taken-1,/papers\n/taken-2,".($possible ? '/tools' : '').",\n/taken-3,/nowhere-at-all\n",
            ),
            JobKind::Outside => throw new \LogicException('Nobody asks for that here.'),
        };
    }

    /** @param int $times 0 or 1 */
    private function assertDone(JobKind $kind, int $times): void
    {
        $this->workbench()->close();
        match ($kind) {
            JobKind::Publish => self::assertSame(
                [(string) (1 + $times), 1 === $times ? 'Sheets' : 'Papers'],
                [
                    $this->value('SELECT count(*) FROM journal.release'),
                    $this->value('SELECT title FROM live.place WHERE id = ?', DemoId::of('categories/papers')),
                ],
            ),
            JobKind::Addresses => self::assertSame(
                [(string) $times, 1 === $times ? '/sheets/marbled/combed' : '/papers/marbled/combed'],
                [$this->value(<<<'SQL'
                    SELECT count(*) FROM journal.edit WHERE about = 'places' AND NOT undone AND takes_back IS NULL
                    SQL), $this->value('SELECT address FROM place WHERE id = ?', DemoId::of('categories/combed'))],
            ),
            JobKind::Redirects => self::assertSame([(string) (2 * $times), (string) $times], [$this->value(<<<'SQL'
                SELECT count(*) FROM redirect WHERE source IN ('/taken-1', '/taken-2')
                SQL), $this->value("SELECT count(*) FROM journal.edit WHERE about = 'redirects' AND NOT undone AND takes_back IS NULL")]),
            JobKind::Outside => throw new \LogicException('It changes nothing.'),
        };
    }

    private function told(\PDO $server): int
    {
        $told = $server->query('SELECT CASE WHEN is_called THEN last_value ELSE 0 END FROM told');

        return false === $told ? 0 : (int) $told->fetchColumn();
    }

    private function work(Job $job): void
    {
        ($this->service(JobWorker::class))(new DoJob($job->id));
    }

    private function jobs(): Jobs
    {
        return $this->service(Jobs::class);
    }
}

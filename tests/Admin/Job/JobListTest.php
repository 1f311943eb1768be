<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Job;

use Lantern\Demo\DemoId;
use Lantern\Tests\Admin\ApiTestCase;
use Lantern\Workbench\Jobs\DoJob;
use Lantern\Workbench\Jobs\JobWorker;

final class JobListTest extends ApiTestCase
{
    public function testWhatIsVeryMuchIsTakenAsAJobThatMayBeLeft(): void
    {
        $this->makePages(3100);
        $waiting = $this->get('/api/waiting');
        self::assertSame(3100, $this->at($waiting, 'count'));
        self::assertLessThan(400, \count((array) $this->at($waiting, 'changes')), 'told by parts');
        $job = $this->send('POST', '/api/releases', ['seen' => $this->at($waiting, 'state')]);
        self::assertSame(202, $this->code());
        self::assertSame(
            ['publish', 'waiting', 'Edda Marlowe'],
            [$this->at($job, 'kind'), $this->at($job, 'state'), $this->at($job, 'person')],
        );
        $id = $this->idOf($job);
        self::assertSame($id, $this->at($this->get('/api/jobs'), 0, 'id'));

        $this->send('POST', '/api/releases', ['seen' => $this->at($waiting, 'state')]);
        self::assertSame(422, $this->code(), 'not twice at once');

        ($this->service(JobWorker::class))(new DoJob($id));
        $done = $this->get("/api/jobs/$id");
        self::assertSame(['done', 2], [$this->at($done, 'state'), $this->at($done, 'number')]);
        $part = $this->get('/api/releases/2');
        self::assertCount(300, (array) $this->at($part, 'changes'));
        $seen = [];
        for ($parts = 0; $parts < 20; ++$parts) {
            foreach ((array) $this->at($part, 'changes') as $change) {
                $seen[$this->idOf($change)] = true;
            }
            $next = $this->at($part, 'next');
            if (!\is_string($next)) {
                break;
            }
            $part = $this->get('/api/releases/2?'.http_build_query(['after' => $next]));
        }
        self::assertCount(3100, $seen, 'every part follows the one before');
        self::assertStringEndsWith(' · 3,096 more', $this->value('SELECT summary FROM journal.release WHERE number = 2'));
    }

    public function testManyAddressesAreCarriedAlongAsAJob(): void
    {
        $this->makePages(2100);
        $wish = ['place' => $this->guides(), 'seen' => '/binding-guides', 'to' => '/guides', 'carryBelow' => true];
        $job = $this->send('POST', '/api/addresses', ['wishes' => [$wish]]);
        self::assertSame(202, $this->code(), (string) json_encode($job));
        ($this->service(JobWorker::class))(new DoJob($this->idOf($job)));
        $done = $this->get('/api/jobs/'.$this->idOf($job));
        self::assertStringContainsString(
            'stands at /guides now, and 21',
            (string) json_encode($this->at($done, 'edit', 'sentence'), \JSON_UNESCAPED_SLASHES),
        );
        self::assertSame('/guides/many-7', $this->value("SELECT address FROM place WHERE title = 'Many 7'"));
        $step = $this->at($done, 'edit', 'step');
        self::assertIsString($step);
        $this->send('POST', "/api/edits/$step/undo");
        self::assertSame(200, $this->code());
        self::assertSame('/binding-guides/many-7', $this->value("SELECT address FROM place WHERE title = 'Many 7'"), 'taken back as one');
    }

    public function testItsPersonStopsAJobAndAnOwnerAndNobodyElse(): void
    {
        $this->makePages(3100);
        $job = $this->idOf($this->send('POST', '/api/releases', ['seen' => $this->at($this->get('/api/waiting'), 'state')]));
        $this->signIn('viewer');
        $this->send('POST', "/api/jobs/$job/stop");
        self::assertSame(403, $this->code());
        self::assertSame('waiting', $this->at($this->get('/api/jobs'), 0, 'state'), 'but everybody sees it');
        $this->signIn('editor');
        $this->send('POST', "/api/jobs/$job/stop");
        self::assertSame([422, 'waiting'], [$this->code(), $this->value('SELECT state FROM journal.job')]);
        $this->signIn('owner');
        self::assertSame('stopped', $this->at($this->send('POST', "/api/jobs/$job/stop"), 'state'));
        self::assertSame('Imke Ravensworth', $this->value("SELECT person FROM journal.audit WHERE what = 'job-stopped'"));
        ($this->service(JobWorker::class))(new DoJob($job));
        self::assertSame('1', $this->value('SELECT count(*) FROM journal.release'));
        $this->get('/api/jobs/'.DemoId::of('no such job'));
        self::assertSame(404, $this->code());
    }

    private function makePages(int $many): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO place (id, kind, title, address, parent_id)
            SELECT gen_random_uuid(), 'page', 'Many ' || n, '/binding-guides/many-' || n, ?
            FROM generate_series(1, CAST(? AS integer)) n
            SQL, [$this->guides(), $many]);
    }

    private function guides(): string
    {
        return $this->value("SELECT id FROM place WHERE address = '/binding-guides'");
    }

    private function idOf(mixed $view): string
    {
        $id = $this->at($view, 'id');

        return \is_string($id) ? $id : self::fail('It has an id.');
    }
}

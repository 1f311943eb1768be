<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Redirect;

use Lantern\Demo\DemoId;
use Lantern\Tests\Admin\ApiTestCase;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\Uid\UuidV7;

final class RedirectsTest extends ApiTestCase
{
    private const NEW = ['source' => '/winter', 'target' => '/papers', 'status' => '301', 'until' => '', 'note' => 'A poster'];

    public function testOneIsMadeChangedByWhoeverSawItLastAndTakenBack(): void
    {
        $made = $this->send('POST', '/api/redirects', self::NEW);
        self::assertSame([200, 'The redirect from /winter is made.'], [$this->code(), $this->at($made, 'sentence')]);
        $row = $this->row('winter');
        self::assertSame(
            ['/winter', 'Papers', '/papers', 301, 'person', 'A poster', 0, null],
            array_map(
                fn (string $name): mixed => $this->at($row, $name),
                ['source', 'goalWords', 'goalAddress', 'status', 'origin', 'note', 'visits', 'lastVisit'],
            ),
        );
        $path = '/api/redirects/'.$this->id($row);
        $this->send('PUT', $path, self::NEW);
        self::assertSame(428, $this->code(), 'it has to be said which one was seen');
        $this->send('PUT', $path, ['target' => '/tools', 'until' => '2030-05-01'] + self::NEW, '"1"');
        self::assertSame(200, $this->code());
        $stale = $this->send('PUT', $path, self::NEW, '"1"');
        self::assertSame(
            [412, 'Tools', 2],
            [$this->code(), $this->at($stale, 'current', 'goalWords'), $this->at($stale, 'current', 'version')],
        );
        $this->send('PUT', $path, ['target' => 'javascript:alert(1)'] + self::NEW, '"2"');
        self::assertSame(422, $this->code());
        $this->send('PUT', '/api/redirects/'.(new UuidV7())->toRfc4122(), self::NEW, '"1"');
        self::assertSame(404, $this->code());
        $removed = $this->send('POST', '/api/redirects/removal', ['ids' => [$this->id($row)]]);
        self::assertSame('1 redirect is taken away.', $this->at($removed, 'sentence'));
        $this->send('POST', '/api/redirects/removal', ['ids' => [$this->id($row)]]);
        self::assertSame(404, $this->code());
        $step = $this->at($removed, 'step');
        self::assertIsString($step);
        $this->send('POST', "/api/edits/$step/undo");
        self::assertSame('Tools', $this->at($this->row('winter'), 'goalWords'));
        $this->send('POST', "/api/edits/$step/undo");
        self::assertSame(422, $this->code(), 'taken back once');
    }

    public function testTheTableIsNarrowedToWhatIsWrong(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO redirect (id, source, goal_place_id, status, until)
            VALUES (gen_random_uuid(), '/papers', ?, 301, NULL), (gen_random_uuid(), '/ended', ?, 302, '2020-01-01')
            SQL, [DemoId::of('categories/tools'), DemoId::of('categories/tools')]);
        $sources = function (string $query): array {
            $rows = $this->at($this->get("/api/redirects?$query"), 'rows');

            return \is_array($rows) ? array_column($rows, 'source') : [];
        };
        self::assertSame(['/papers'], $sources('mark=shadowed'));
        self::assertSame(['/ended'], $sources('mark=ended'));
        self::assertContains('/bindery-tours', $sources('mark=nowhere'));
        self::assertContains('/ended', $sources('mark=unused'));
        self::assertSame(['/ended'], $sources('status=302&q=end'));
        self::assertSame([], $sources('origin=file'));
        self::assertSame('Papers', $this->at($this->row('/papers', 'mark=shadowed&'), 'shadowedBy'));
    }

    public function testAFileTellsHowFarItIsAndThenTheFateOfEachLine(): void
    {
        $csv = "source,target,status\n/a,/papers,301\n/b,/a,\n/papers,/x,\n";
        $steps = $this->sheet($csv, 'no');
        self::assertSame(
            ['Looking up', 'Judging', 'Judging', 'Done'],
            array_map(fn (mixed $step): mixed => $this->at($step, 'step'), $steps),
        );
        $judgement = $this->at($steps[3], 'judgement');
        self::assertSame([2, 0, 1], [$this->at($judgement, 'added'), $this->at($judgement, 'already'), $this->at($judgement, 'refused')]);
        self::assertSame(
            "source,target,status,until,note,refused because\r\n/papers,/x,,,,\"“Papers” opens at /papers, so nobody would be redirected. "
                ."Change its address or close it first.\"\r\n",
            $this->at($judgement, 'refusedCsv'),
        );
        self::assertSame('0', $this->value(<<<'SQL'
            SELECT count(*) FROM redirect WHERE source IN ('/a', '/b')
            SQL), 'nothing is stored before it was seen');
        $taken = $this->sheet($csv, 'yes');
        self::assertSame('2 redirects are made.', $this->at($taken[\count($taken) - 1], 'edit', 'sentence'));
        self::assertSame('2', $this->value(<<<'SQL'
            SELECT count(*) FROM redirect WHERE source IN ('/a', '/b') AND origin = 'file' AND goal_place_id = ?
            SQL, DemoId::of('categories/papers')));
        $again = $this->sheet($csv, 'yes');
        self::assertSame(
            [0, 2],
            [$this->at($again[\count($again) - 1], 'judgement', 'added'), $this->at($again[\count($again) - 1], 'judgement', 'already')],
        );
    }

    public function testWhatIsNoCsvIsSaidAtTheEndOfTheWay(): void
    {
        $steps = $this->sheet("\x89PNG\0\0", 'yes');
        self::assertStringContainsString('not a CSV file', (string) json_encode($this->at($steps[0], 'problem')));
        $this->send('POST', '/api/redirects/sheet');
        self::assertSame(422, $this->code());
    }

    public function testWhatFailsOnTheWayIsSaidInTheLastLineAndNothingIsChanged(): void
    {
        $server = $this->server('lantern_test');
        $server->exec("CREATE FUNCTION fail() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION 'the disk is full'; END $$");
        $server->exec(<<<'SQL'
            CREATE TRIGGER fail BEFORE INSERT ON workbench.redirect FOR EACH ROW WHEN (NEW.source = '/second') EXECUTE FUNCTION fail()
            SQL);
        $steps = $this->sheet("source,target\n/first,/papers\n/second,/papers\n", 'yes');
        $problem = $this->at($steps[\count($steps) - 1], 'problem');
        self::assertIsString($problem);
        self::assertStringContainsString('nothing was changed', $problem);
        self::assertStringNotContainsString('disk', $problem, 'what it was is for the log');
        self::assertStringContainsString((string) $this->header('X-Request-Id'), $problem);
        self::assertSame('0', $this->value("SELECT count(*) FROM redirect WHERE source IN ('/first', '/second')"));
    }

    public function testWhatAFormulaWouldBeIsTextInAnExport(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO redirect (id, source, goal_outside, status, note)
            VALUES (gen_random_uuid(), '/formula', 'https://example.org/', 301, '=HYPERLINK("https://evil.example")')
            SQL);
        ob_start();
        $this->browser->request('GET', '/api/redirects/export.csv');
        $csv = (string) ob_get_clean().$this->browser->getInternalResponse()->getContent();
        self::assertStringContainsString('HYPERLINK', $csv);
        self::assertDoesNotMatchRegularExpression('/(^|[,"\n])=HYPERLINK/', $csv);
    }

    public function testManyAddressesAreTriedAtOnce(): void
    {
        $answers = $this->at(
            $this->send(
                'POST',
                '/api/answers',
                ['addresses' => ['/agb', 'Papers//Marbled/', 'http://127.0.0.1:8190/nothing', '/%zz', '/blog/x?y=1'], 'copy' => 'live'],
            ),
            'answers',
        );
        self::assertIsArray($answers);
        self::assertSame([301, 301, 404, 400, 404], array_column($answers, 'status'));
        self::assertSame('/papers/marbled', $this->at($answers, 1, 'location'));
        $this->workbench()->executeStatement("UPDATE place SET audience = 'customers', opens_on = '2031-01-01' WHERE address = '/tools'");
        $tried = fn (array $as): mixed => $this->at(
            $this->send('POST', '/api/answers', ['addresses' => ['/tools']] + $as),
            'answers',
            0,
            'status',
        );
        self::assertSame(
            [404, 200, 403, 200],
            [
                $tried([]),
                $tried(['copy' => 'live']),
                $tried(['at' => '2031-02-01T00:00:00Z']),
                $tried(['at' => '2031-02-01T00:00:00Z', 'audience' => 'customer']),
            ],
        );
        $this->send('POST', '/api/answers', ['addresses' => array_fill(0, 1001, '/x')]);
        self::assertSame(422, $this->code());
        $this->signIn('viewer');
        $this->send('POST', '/api/answers', ['addresses' => ['/agb']]);
        self::assertSame(200, $this->code(), 'whoever may look may try');
    }

    private function row(string $words, string $narrowed = ''): mixed
    {
        return $this->at($this->get("/api/redirects?{$narrowed}q=".urlencode($words)), 'rows', 0);
    }

    private function id(mixed $row): string
    {
        $id = $this->at($row, 'id');
        self::assertIsString($id);

        return $id;
    }

    /** @return list<mixed> the steps that were told */
    private function sheet(string $csv, string $take): array
    {
        $path = tempnam(sys_get_temp_dir(), 'lantern') ?: throw new \LogicException('No file.');
        file_put_contents($path, $csv);
        $this->browser->request(
            'POST',
            "/api/redirects/sheet?take=$take",
            files: ['file' => new UploadedFile($path, 'old.csv', test: true)],
            server: ['HTTP_X_CSRF_TOKEN' => $this->csrf],
        );
        $told = $this->browser->getInternalResponse()->getContent();
        unlink($path);

        return array_map(
            static fn (string $line): mixed => json_decode($line, true, flags: \JSON_THROW_ON_ERROR),
            array_values(array_filter(explode("\n", $told))),
        );
    }
}

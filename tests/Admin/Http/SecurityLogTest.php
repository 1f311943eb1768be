<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Http;

use Lantern\Core\Person\Actor;
use Lantern\Tests\Admin\ApiTestCase;
use Lantern\Workbench\Publishing\Publisher;

/** One line of JSON for each event, without secrets. */
final class SecurityLogTest extends ApiTestCase
{
    private string $file = '';

    protected function setUp(): void
    {
        $this->file = (string) tempnam(sys_get_temp_dir(), 'events');
        $_SERVER['LANTERN_EVENTS'] = $_ENV['LANTERN_EVENTS'] = $this->file;
        parent::setUp();
    }

    protected function tearDown(): void
    {
        unset($_SERVER['LANTERN_EVENTS'], $_ENV['LANTERN_EVENTS']);
        unlink($this->file);
        parent::tearDown();
    }

    public function testSignInsRefusalsForgedRequestsAndPublishing(): void
    {
        $this->browser->getCookieJar()->clear();
        $this->signInAs('ines@garland-and-quire.example', 'a wrong secret');
        $this->browser->request('POST', '/api/redirects', server: ['CONTENT_TYPE' => 'application/json'], content: '{}');
        $this->signIn('viewer');
        $this->send('POST', '/api/redirects', ['source' => '/x', 'target' => '/papers', 'status' => '301']);
        self::assertSame(403, $this->code());
        $refused = $this->header('X-Request-Id');
        $this->signIn('editor');
        $this->browser->request(
            'POST',
            '/api/redirects',
            server: ['HTTP_X_CSRF_TOKEN' => 'guessed', 'CONTENT_TYPE' => 'application/json'],
            content: '{}',
        );
        $this->signIn('owner');
        $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets' WHERE address = '/papers'");
        $this->send('POST', '/api/releases', ['seen' => $this->at($this->get('/api/waiting'), 'state')]);
        self::assertSame(200, $this->code());

        $lines = array_map(
            static fn (string $line): mixed => json_decode($line, true, 16, \JSON_THROW_ON_ERROR),
            array_filter(explode("\n", (string) file_get_contents($this->file)), static fn (string $one): bool => '' !== $one),
        );
        $by = [];
        foreach ($lines as $line) {
            self::assertIsArray($line);
            $what = $this->at($line, 'message');
            self::assertIsString($what);
            $by[$what] = $line;
        }
        foreach (['sign-in-failed', 'refused', 'forged-request', 'published'] as $what) {
            self::assertArrayHasKey($what, $by, implode(', ', array_keys($by)));
            self::assertMatchesRegularExpression('/^"[0-9a-f]{16}"$/D', json_encode($this->at($by[$what], 'context', 'request')) ?: '');
        }
        self::assertSame($refused, $this->at($by['refused'], 'context', 'request'), 'the answer shows the same id');
        self::assertStringNotContainsString('a wrong secret', (string) file_get_contents($this->file));
        self::assertStringNotContainsString($this->csrf, (string) file_get_contents($this->file));
    }

    /** Somebody who has taken over a session guesses at what they do not know. */
    public function testAWrongPasswordOrCodeInYourAccountIsNoted(): void
    {
        $this->signIn('editor');
        foreach ([
            ['PUT', '/api/account/password', ['old' => 'a wrong secret', 'password' => 'tin heron quarry lace']],
            ['POST', '/api/account/second-factor', ['password' => 'a wrong secret']],
            ['POST', '/api/account/second-factor/code', ['code' => '123456']],
        ] as [$method, $path, $body]) {
            if (str_ends_with($path, 'code')) {
                $this->send('POST', '/api/account/second-factor', ['password' => 'lantern-editor']);
                self::assertSame(200, $this->code());
            }
            $before = (string) file_get_contents($this->file);
            $this->send($method, $path, $body);
            self::assertSame(422, $this->code(), $path);
            $noted = substr((string) file_get_contents($this->file), \strlen($before));
            self::assertStringContainsString('"who":"editor@tansyandrook.example"', $noted, $path);
            self::assertStringNotContainsString('a wrong secret', $noted);
        }
        self::assertGreaterThan(0, (int) $this->value(<<<'SQL'
            SELECT count(*) FROM journal.audit WHERE person = 'Joss Tamblyn' AND what LIKE '%wrong%'
            SQL));
    }

    public function testWhatACommandPublishesIsNotedToo(): void
    {
        $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets' WHERE address = '/papers'");
        $this->service(Publisher::class)->publish(Actor::commandLine('the command line'));
        self::assertMatchesRegularExpression('/"published".*"release":2,"by":"the command line"/', (string) file_get_contents($this->file));
        $this->service(Publisher::class)->publish(Actor::commandLine('the command line'));
        self::assertSame(
            1,
            substr_count((string) file_get_contents($this->file), '"published"'),
            'where nothing waited, nothing was published',
        );
    }

    public function testALogThatCannotBeWrittenKeepsNobodyOut(): void
    {
        $_SERVER['LANTERN_EVENTS'] = $_ENV['LANTERN_EVENTS'] = '/proc/nowhere/events.log';
        $_SERVER['LANTERN_LOG'] = $_ENV['LANTERN_LOG'] = '/proc/nowhere/lantern.log';
        $before = ini_set('error_log', $this->file);
        try {
            $this->signIn('owner');
            $this->send('POST', '/api/releases', ['seen' => 'another state']);
            self::assertSame(412, $this->code());
            $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets' WHERE address = '/papers'");
            $this->send('POST', '/api/releases', ['seen' => $this->at($this->get('/api/waiting'), 'state')]);
            self::assertSame(200, $this->code());
            self::assertStringContainsString('"published"', (string) file_get_contents($this->file), 'the log of the server has it');
        } finally {
            unset($_SERVER['LANTERN_LOG'], $_ENV['LANTERN_LOG']);
            ini_set('error_log', (string) $before);
        }
    }

    private function signInAs(string $mail, string $password): void
    {
        $form = $this->browser->request('GET', '/sign-in')->filter('form')->form();
        $this->browser->submit($form, ['mail' => $mail, 'password' => $password]);
    }
}

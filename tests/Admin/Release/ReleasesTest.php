<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Release;

use Lantern\Demo\DemoId;
use Lantern\Tests\Admin\ApiTestCase;

final class ReleasesTest extends ApiTestCase
{
    public function testWhatAColleagueEditsMeanwhileDoesNotGoOutUnseen(): void
    {
        $this->rename('pages/makers', 'Makers');
        $seen = $this->at($this->get('/api/waiting'), 'state');
        $this->rename('pages/visit', 'Come by');
        $problem = $this->send('POST', '/api/releases', ['seen' => $seen]);
        self::assertSame(412, $this->code());
        self::assertSame('1', $this->value('SELECT count(*) FROM journal.release'), 'nothing went out');
        self::assertStringContainsString('Come by', (string) json_encode($this->at($problem, 'current')), 'it shows what is there now');

        $this->send('POST', '/api/releases', ['seen' => $this->at($problem, 'current', 'state')]);
        self::assertSame(200, $this->code());
        self::assertSame('Come by', $this->value('SELECT title FROM live.place WHERE id = ?', DemoId::of('pages/visit')));
    }

    public function testTheSameEditMadeAndTakenBackIsStillTheSameState(): void
    {
        $this->rename('pages/makers', 'Makers');
        $seen = $this->at($this->get('/api/waiting'), 'state');
        self::assertSame($seen, $this->at($this->get('/api/waiting'), 'state'), 'looking changes nothing');
        $this->rename('pages/makers', 'Makers of the shop');
        self::assertNotSame($seen, $this->at($this->get('/api/waiting'), 'state'));
    }

    public function testACircleIsNotPublished(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO redirect (id, source, goal_address, status)
            VALUES (gen_random_uuid(), '/round', '/and-round', 301), (gen_random_uuid(), '/and-round', '/round', 301)
            SQL);
        $problem = $this->send('POST', '/api/releases', ['seen' => $this->at($this->get('/api/waiting'), 'state')]);
        self::assertSame(422, $this->code());
        self::assertStringContainsString(
            '/round → /and-round',
            (string) json_encode($problem, \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE),
        );
        self::assertSame('0', $this->value("SELECT count(*) FROM live.redirect WHERE source = '/round'"));
    }

    private function rename(string $key, string $title): void
    {
        $id = DemoId::of($key);
        $this->send('PATCH', "/api/places/$id", ['title' => $title], '"'.$this->value('SELECT version FROM place WHERE id = ?', $id).'"');
        self::assertSame(200, $this->code());
    }
}

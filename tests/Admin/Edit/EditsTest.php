<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Edit;

use Lantern\Demo\DemoId;
use Lantern\Tests\Admin\ApiTestCase;

final class EditsTest extends ApiTestCase
{
    public function testOneUndoReachesWhateverWasDoneLast(): void
    {
        $path = '/api/places/'.DemoId::of('pages/makers');
        $title = $this->at($this->get($path), 'place', 'title');
        self::assertIsString($title);
        $this->send('PATCH', $path, ['title' => 'Those who make it'], '"1"');
        self::assertSame("The title of “{$title}”", $this->at($this->get('/api/history'), 'undo'));
        $undone = $this->send('POST', '/api/undo');
        self::assertSame(["The title of “{$title}”", null], [$this->at($undone, 'done'), $this->at($undone, 'undo')]);
        self::assertSame($title, $this->at($this->get($path), 'place', 'title'));
        $this->send('POST', '/api/redo');
        self::assertSame('Those who make it', $this->at($this->get($path), 'place', 'title'));
        $this->signIn('owner');
        self::assertNull($this->at($this->get('/api/history'), 'undo'), 'nobody takes back what another did');
        $this->signIn('viewer');
        $this->send('POST', '/api/undo');
        self::assertSame(403, $this->code());
    }

    public function testNewsIsOfOthers(): void
    {
        $mark = $this->at($this->get('/api/news'), 'mark');
        self::assertIsString($mark);
        $news = function (string $page) use ($mark): mixed {
            $this->browser->request('GET', '/api/news?since='.urlencode($mark), server: ['HTTP_X_PAGE' => $page]);

            return json_decode((string) $this->browser->getResponse()->getContent(), true);
        };
        $this->browser->request(
            'PATCH',
            '/api/places/'.DemoId::of('pages/makers'),
            server: [
                'HTTP_X_CSRF_TOKEN' => $this->csrf,
                'HTTP_X_PAGE' => 'page-of-the-editor',
                'HTTP_IF_MATCH' => '"1"',
                'CONTENT_TYPE' => 'application/json',
            ],
            content: '{"title": "Those who make it"}',
        );
        self::assertSame(200, $this->code());
        self::assertSame([], $this->at($news('page-of-the-editor'), 'changed'));
        self::assertContains(['about' => 'place', 'id' => DemoId::of('pages/makers')], (array) $this->at($news('another-page'), 'changed'));
        // A request that is of no page, over the same connection, is news to the page before it, too.
        $this->send('PATCH', '/api/places/'.DemoId::of('pages/visit'), ['title' => 'Come and see us'], '"1"');
        self::assertSame(200, $this->code());
        self::assertContains(
            ['about' => 'place', 'id' => DemoId::of('pages/visit')],
            (array) $this->at($news('page-of-the-editor'), 'changed'),
        );
        $this->get('/api/news?since=yesterday');
        self::assertSame(422, $this->code());
    }

    public function testWhatIsTheSameIsNotSentAgain(): void
    {
        $path = '/api/places/'.DemoId::of('pages/makers');
        $this->get($path);
        $tag = (string) $this->header('ETag');
        $this->browser->request('GET', $path, server: ['HTTP_IF_NONE_MATCH' => "W/$tag"]);
        self::assertSame([304, ''], [$this->code(), (string) $this->browser->getResponse()->getContent()]);
        // Its version is the same, but not all that it tells.
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE place SET title = 'Somewhere else' WHERE id = (SELECT parent_id FROM place WHERE id = ?)
            SQL, [DemoId::of('pages/makers')]);
        $this->browser->request('GET', $path, server: ['HTTP_IF_NONE_MATCH' => $tag]);
        self::assertSame(200, $this->code());
        self::assertNotSame($tag, $this->header('ETag'));
        $this->send('PATCH', $path, ['title' => 'Those who make it'], (string) $this->header('ETag'));
        self::assertSame(200, $this->code(), 'the tag as it was handed out is a version, too');
    }

    public function testTheRulesAreTheCores(): void
    {
        $rules = $this->get('/api/rules');
        self::assertSame(['page', 'page', 'page-group', true, false, 'cards'], array_values((array) $this->at($rules, 'kinds', 0)));
        self::assertSame(['pages', 'categories', 'products', 'newest'], array_column((array) $this->at($rules, 'fillings'), 'source'));
        self::assertContains(['id' => '410', 'words' => 'gone (410)'], (array) $this->at($rules, 'statuses'));
    }
}

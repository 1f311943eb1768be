<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Http;

use Lantern\Demo\DemoId;
use Lantern\Tests\Admin\ApiTestCase;
use PHPUnit\Framework\Attributes\DataProvider;

/** What is merely wrong is said to be wrong, and nothing is changed by it. */
final class ProblemResponsesTest extends ApiTestCase
{
    /** @param list<int> $codes */
    #[DataProvider('queries')]
    public function testAQueryThatIsWrong(string $target, array $codes): void
    {
        $this->browser->request('GET', str_replace('{place}', DemoId::of('pages/makers'), $target));
        self::assertContains($this->code(), $codes);
        self::assertStringStartsWith('application/problem+json', (string) $this->header('Content-Type'));
    }

    /** @return iterable<string, array{string, list<int>}> */
    public static function queries(): iterable
    {
        yield 'bytes that are no text' => ['/api/places?q=%ff', [400]];
        yield 'bytes in the query of redirects' => ['/api/redirects?origin=%ff', [400]];
        yield 'NUL in a query' => ['/api/places/find?q=%00', [400]];
        yield 'a status beyond any integer' => ['/api/redirects?status=99999999999', [422]];
        yield 'an order that there is not' => ['/api/places?order=sideways', [422]];
        yield 'an id with a line end behind it' => ['/api/places/{place}%0a', [404]];
        yield 'a list where a text is meant' => ['/api/places?q[]=x', [422]];
        yield 'a place that is no id' => ['/api/seen?place=x', [422]];
        yield 'a moment that is none' => ['/api/seen?at=tomorrow', [422]];
        yield 'a moment in seconds' => ['/api/seen?at=%40253402300800', [422]];
    }

    #[DataProvider('versions')]
    public function testAVersionThatIsNone(string $version): void
    {
        $id = DemoId::of('pages/makers');
        $before = $this->value('SELECT title FROM place WHERE id = ?', $id);
        $this->send('PATCH', "/api/places/$id", ['title' => 'Other'], $version);
        self::assertContains($this->code(), [400, 412, 428], $version);
        self::assertSame($before, $this->value('SELECT title FROM place WHERE id = ?', $id));
    }

    /** @return iterable<array{string}> */
    public static function versions(): iterable
    {
        yield ['"2147483648"'];
        yield ['"99999999999999999999"'];
        yield ['"-1"'];
        yield ["\"1\"\n"];
        yield ['W/"1"'];
        yield ['"0"'];
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('bodies')]
    public function testABodyThatIsWrong(string $verb, string $path, array $body, int $code, string $field): void
    {
        $id = DemoId::of('pages/makers');
        $state = fn (): string => $this->value("SELECT md5(string_agg(p::text, '' ORDER BY id)) FROM place p")
            .$this->value("SELECT md5(COALESCE(string_agg(r::text, '' ORDER BY id), '')) FROM redirect r");
        $before = $state();
        $problem = $this->send($verb, str_replace('{place}', $id, $path), $body, '"1"');
        self::assertSame($code, $this->code(), json_encode($problem) ?: '');
        self::assertSame($field, $this->at($problem, 'field'), json_encode($problem) ?: '');
        self::assertSame($before, $state());
    }

    /** @return iterable<string, array{string, string, array<string, mixed>, int, string}> */
    public static function bodies(): iterable
    {
        yield 'a date after the last year' => [
            'PATCH',
            '/api/places/{place}',
            ['opening' => ['from' => '9999-12-31T23:59:59-12:00', 'until' => null]],
            422,
            'opening.from',
        ];
        yield 'a date before the first' => [
            'PATCH',
            '/api/places/{place}',
            ['opening' => ['from' => '0001-01-01T00:00:00+12:00', 'until' => null]],
            422,
            'opening.from',
        ];
        yield 'a day that there is not' => [
            'PATCH',
            '/api/places/{place}',
            ['opening' => ['from' => null, 'until' => '2026-02-30']],
            422,
            'opening.until',
        ];
        yield 'a day of zeros' => [
            'POST',
            '/api/redirects',
            ['source' => '/x', 'target' => '/papers', 'status' => '302', 'until' => '0000-00-00'],
            422,
            'until',
        ];
        yield 'a word for a day' => [
            'POST',
            '/api/redirects',
            ['source' => '/x', 'target' => '/papers', 'status' => '302', 'until' => 'tomorrow'],
            422,
            'until',
        ];
        yield 'NUL in an outline' => ['POST', '/api/outlines', ['content' => "Papers\0\n"], 422, 'content'];
        yield 'a name to download of 40,000 letters' => [
            'PATCH',
            '/api/places/{place}',
            ['downloadName' => str_repeat('n', 40_000)],
            422,
            'downloadName',
        ];
        yield 'an object where a list is meant' => [
            'POST',
            '/api/redirects/removal',
            ['ids' => ['0' => '019344a0-0000-7000-8000-000000000001', '2' => '019344a0-0000-7000-8000-000000000002']],
            422,
            'ids',
        ];
        yield 'nothing in a list of texts' => ['POST', '/api/answers', ['addresses' => ['/', null]], 422, 'addresses'];
        yield 'a number in a list of texts' => ['POST', '/api/answers', ['addresses' => [5]], 422, 'addresses'];
        yield 'too many at once' => ['POST', '/api/answers', ['addresses' => array_fill(0, 1001, '/')], 422, 'addresses'];
        yield 'a title that is a number' => ['PATCH', '/api/places/{place}', ['title' => 5], 422, 'title'];
    }

    public function testADateBeyondAllLeavesEveryPageThere(): void
    {
        $id = DemoId::of('pages/makers');
        $this->send('PATCH', "/api/places/$id", ['opening' => ['from' => null, 'until' => '9999-12-31T23:59:59-12:00']], '"1"');
        self::assertSame(422, $this->code());
        foreach ([
            '/api/frame',
            '/api/places',
            "/api/places/$id",
            '/api/menus/'.$this->value("SELECT id FROM menu WHERE name = 'Header'"),
        ] as $path) {
            $this->get($path);
            self::assertSame(200, $this->code(), $path);
        }
        $this->expectExceptionMessage('place_closes_on');
        $this->workbench()->executeStatement("UPDATE place SET closes_on = '10000-01-01T11:59:59Z' WHERE id = ?", [$id]);
    }

    public function testAMenuWithASlashInItsNameIsExported(): void
    {
        $id = $this->value("UPDATE menu SET name = 'Men/Women \\ ü' WHERE name = 'Header' RETURNING id");
        foreach (['opml', 'json', 'txt', 'html'] as $format) {
            $this->browser->request('GET', "/api/menus/$id/export.$format");
            if (404 !== $this->code()) {
                self::assertSame(200, $this->code(), $format);
                self::assertStringNotContainsString('/', (string) $this->header('Content-Disposition'));
            }
        }
    }
}

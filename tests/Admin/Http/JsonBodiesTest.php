<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Http;

use Lantern\Tests\Admin\ApiTestCase;

final class JsonBodiesTest extends ApiTestCase
{
    public function testABodyIsJsonAndNothingElse(): void
    {
        self::assertSame(415, $this->raw('source=/x', 'application/x-www-form-urlencoded'));
        self::assertSame(415, $this->raw('{"addresses":["/"]}', 'text/plain'));
        self::assertSame(400, $this->raw('{"addresses":["/"]'));
        self::assertSame(400, $this->raw("{\"addresses\":[\"\xff\"]}"));
        self::assertSame(422, $this->raw('["/"]'));
        self::assertSame(422, $this->raw('5'));
        self::assertSame(200, $this->raw('{"addresses":["/"]}', 'application/json; charset=utf-8'));
    }

    public function testADeepOneAndALargeOneAreNotReadToTheirEnd(): void
    {
        self::assertSame(400, $this->raw(str_repeat('{"a":', 100).'1'.str_repeat('}', 100)));
        $begin = memory_get_peak_usage();
        self::assertSame(413, $this->raw('{"a":['.str_repeat('{"b":1},', 2_900_000 / 8).'1]}'));
        self::assertLessThan(100_000_000, memory_get_peak_usage() - $begin, 'small objects take a hundred times their size');
        self::assertSame(413, $this->raw('{"a":"'.str_repeat('x', 3_000_001).'"}'));
    }

    /** What an operation does not take is refused before anything is made of it. */
    public function testABodyIsHeldAgainstItsOperationBeforeAnythingIsMadeOfIt(): void
    {
        $crowd = json_encode(array_fill_keys(array_map(static fn (int $n): string => "a$n", range(0, 40_000)), 1), \JSON_THROW_ON_ERROR);
        $place = '/api/places/'.\Lantern\Demo\DemoId::of('categories/papers');
        $many = json_encode(array_fill(0, 59_000, 'x'), \JSON_THROW_ON_ERROR);
        foreach ([
            ['POST', '/api/previews', $crowd],
            ['PATCH', $place, "{\"listing\":$many}"],
            ['PATCH', $place, "{\"opening\":$many}"],
            ['PATCH', $place, "{\"title\":$many}"],
            ['POST', '/api/addresses/plan', '{"wishes":'.json_encode(array_fill(0, 6000, 'x')).'}'],
            ['POST', '/api/addresses', '{"wishes":'.json_encode(array_fill(0, 6000, 'x')).'}'],
            ['POST', '/api/answers', '{"addresses":'.json_encode(array_fill(0, 1001, '/')).'}'],
            ['POST', '/api/answers', '{"addresses":'.json_encode(array_fill(0, 900, '/'.str_repeat('a/', 500))).'}'],
        ] as [$method, $path, $body]) {
            $begin = memory_get_usage();
            memory_reset_peak_usage();
            $this->browser->request(
                $method,
                $path,
                server: ['HTTP_X_CSRF_TOKEN' => $this->csrf, 'CONTENT_TYPE' => 'application/json', 'HTTP_IF_MATCH' => '"1"'],
                content: $body,
            );
            self::assertSame(422, $this->code(), "$method $path ".substr($body, 0, 40));
            self::assertLessThan(40_000_000, memory_get_peak_usage() - $begin, "$method $path");
        }
        self::assertSame(200, $this->raw('{"addresses":["/"],"more":1,"and":{"more":2}}'), 'a page may be older than the server');
    }

    public function testNulIsNoText(): void
    {
        $problem = $this->send('POST', '/api/redirects', ['source' => "/a\0b", 'target' => '/papers', 'status' => '301']);
        self::assertSame(422, $this->code());
        self::assertSame('source', $this->at($problem, 'field'));
    }

    public function testAFieldThatWasLeftEmptySaysNothing(): void
    {
        $this->get('/api/redirects?q=&after=&mark=');
        self::assertSame(200, $this->code());
    }

    private function raw(string $body, string $type = 'application/json'): int
    {
        $this->browser->request(
            'POST',
            '/api/answers',
            server: ['HTTP_X_CSRF_TOKEN' => $this->csrf, 'CONTENT_TYPE' => $type],
            content: $body,
        );

        return $this->code();
    }
}

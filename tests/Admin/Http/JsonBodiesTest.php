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
        $this->browser->request('POST', '/api/answers', server: ['HTTP_X_CSRF_TOKEN' => $this->csrf, 'CONTENT_TYPE' => $type], content: $body);

        return $this->code();
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Http;

use Lantern\Tests\Admin\ApiTestCase;
use PHPUnit\Framework\Attributes\DataProvider;

/** The guard goes by the route that a request comes to, however its path is written. */
final class CsrfGuardTest extends ApiTestCase
{
    #[DataProvider('paths')]
    public function testAPathWrittenOtherwiseIsNoWayRoundTheGuard(string $path): void
    {
        $before = $this->value('SELECT count(*) FROM redirect');
        foreach (['', 'guessed'] as $token) {
            $this->browser->request(
                'POST',
                $path,
                server: ['CONTENT_TYPE' => 'application/json', 'HTTP_X_CSRF_TOKEN' => $token],
                content: '{"source":"/forged","target":"/papers","status":"301"}',
            );
            self::assertContains($this->code(), [403, 404, 405], $path);
        }
        self::assertSame($before, $this->value('SELECT count(*) FROM redirect'));
    }

    /** @return iterable<array{string}> */
    public static function paths(): iterable
    {
        foreach ([
            '/api/redirects',
            '/%61pi/redirects',
            '/api%2Fredirects',
            '/admin.php/api/redirects',
            '/admin.php/%61pi/redirects',
            '/%61%70%69/%72edirects',
            '/api/redirects/',
            '/API/redirects',
        ] as $path) {
            yield [$path];
        }
    }

    public function testWithTheTokenOfThePageItGoesThrough(): void
    {
        $this->send('POST', '/api/redirects', ['source' => '/meant', 'target' => '/papers', 'status' => '301']);
        self::assertSame(200, $this->code());
        self::assertSame('1', $this->value("SELECT count(*) FROM redirect WHERE source = '/meant'"));
    }

    public function testAnErrorUnderAnEncodedPathIsAProblemLikeAnyOther(): void
    {
        $this->browser->request('GET', '/%61pi/places?order=sideways');
        self::assertSame(422, $this->code());
        self::assertStringStartsWith('application/problem+json', (string) $this->header('Content-Type'));
    }

    public function testNobodyGetsInByAnEncodedPathEither(): void
    {
        $this->browser->getCookieJar()->clear();
        foreach (['/%61pi/places', '/admin.php/%61pi/places', '/%61pi/session'] as $path) {
            $this->browser->request('GET', $path);
            self::assertContains($this->code(), [302, 401, 404], $path);
            self::assertStringNotContainsString('makers', (string) $this->browser->getResponse()->getContent());
        }
    }
}

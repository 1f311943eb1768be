<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Preview;

use Lantern\Kernel;
use Lantern\Tests\Admin\ApiTestCase;
use Symfony\Component\HttpFoundation\Request;

final class PreviewsTest extends ApiTestCase
{
    public function testAPreviewEndsWithTheSession(): void
    {
        $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets' WHERE address = '/papers'");
        $prefix = $this->opened();
        self::assertSame([200, true], $this->looked($prefix), 'the workbench is shown');
        // Somebody else signs out: it goes on.
        $this->signIn('owner');
        $this->signOut();
        self::assertSame(200, $this->looked($prefix)[0]);
    }

    public function testAfterSigningOutItIsOver(): void
    {
        $prefix = $this->opened();
        self::assertSame(200, $this->looked($prefix)[0]);
        $this->signOut();
        self::assertSame([403, false], $this->looked($prefix));
    }

    public function testADayThatThereIsNotIsNoMoment(): void
    {
        foreach (['0000-00-00', '2026-02-30', '@253402300800', 'tomorrow', '9999-12-31T23:59:59-12:00'] as $at) {
            $this->send('POST', '/api/previews', ['at' => $at]);
            self::assertSame(422, $this->code(), $at);
        }
    }

    /** What all addresses of a new preview begin with. */
    private function opened(): string
    {
        $url = $this->at($this->send('POST', '/api/previews', []), 'url');

        return \is_string($url) ? rtrim((string) parse_url($url, \PHP_URL_PATH), '/') : '';
    }

    private function signOut(): void
    {
        $token = $this->browser->request('GET', '/')->filter('meta[name="sign-out-token"]')->attr('content');
        $this->browser->request('POST', '/sign-out', ['_csrf_token' => $token]);
        self::assertSame(302, $this->code());
        self::assertStringContainsString('sign-in', (string) $this->header('Location'));
    }

    /** @return array{int, bool} status, and whether the workbench shows */
    private function looked(string $prefix): array
    {
        $kernel = new Kernel('test', false, 'storefront');
        $response = $kernel->handle(Request::create("$prefix/papers"));
        $kernel->shutdown();

        return [$response->getStatusCode(), str_contains((string) $response->getContent(), 'Sheets')];
    }
}

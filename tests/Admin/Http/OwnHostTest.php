<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Http;

use Lantern\Tests\Admin\ApiTestCase;

final class OwnHostTest extends ApiTestCase
{
    public function testAnotherNameIsNotAnswered(): void
    {
        foreach (['evil.example', 'evil.example:8191', '127.0.0.1:1'] as $host) {
            $this->browser->request('GET', '/', server: ['HTTP_HOST' => $host]);
            self::assertSame(421, $this->code(), $host);
            self::assertStringNotContainsString('evil', (string) $this->browser->getResponse()->getContent());
            self::assertNull($this->header('Location'));
        }
        $this->browser->request('GET', '/');
        self::assertSame(200, $this->code());
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Http;

use Lantern\Admin\Http\OwnHost;
use Lantern\Tests\Admin\ApiTestCase;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\HttpKernelInterface;

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

    public function testAPortIsWrittenInOneWay(): void
    {
        $judged = function (string $host): ?int {
            $request = Request::create('http://127.0.0.1/');
            $request->headers->set('Host', $host);
            $event = new RequestEvent($this->browser->getKernel(), $request, HttpKernelInterface::MAIN_REQUEST);
            (new OwnHost('http://127.0.0.1:8191'))($event);

            return $event->getResponse()?->getStatusCode();
        };
        self::assertSame([null, 421, 421], [$judged('127.0.0.1:8191'), $judged('127.0.0.1:08191'), $judged('127.0.0.1:8192')]);
    }
}

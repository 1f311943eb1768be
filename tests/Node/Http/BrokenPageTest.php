<?php

declare(strict_types=1);

namespace Lantern\Tests\Node\Http;

use Lantern\Node\Http\BrokenPage;
use Lantern\Node\Http\RequestId;
use PHPUnit\Framework\TestCase;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\HttpKernel\HttpKernelInterface;

final class BrokenPageTest extends TestCase
{
    public function testWhateverBreaksSaysWhatToTellWhoeverRunsTheShop(): void
    {
        $response = $this->answered(new \RuntimeException('a secret of the inside'));
        self::assertNotNull($response);
        self::assertSame(500, $response->getStatusCode());
        self::assertStringContainsString('<code>'.str_repeat('ab', 8).'</code>', (string) $response->getContent());
        self::assertStringNotContainsString('secret', (string) $response->getContent());
        self::assertStringContainsString('no-store', (string) $response->headers->get('Cache-Control'));
        self::assertStringContainsString("default-src 'none'", (string) $response->headers->get('Content-Security-Policy'));
        self::assertSame('nosniff', $response->headers->get('X-Content-Type-Options'));
        self::assertSame(502, $this->answered(new HttpException(502))?->getStatusCode());
    }

    public function testWhatIsNoFaultOfThisProgramIsSaidElsewhere(): void
    {
        self::assertNull($this->answered(new NotFoundHttpException()));
        $said = new Response('Back in a moment', 503);
        self::assertSame($said, $this->answered(new \RuntimeException(), $said));
    }

    private function answered(\Throwable $error, ?Response $already = null): ?Response
    {
        $request = Request::create('/papers');
        $request->attributes->set('_request_id', str_repeat('ab', 8));
        $stack = new RequestStack();
        $stack->push($request);
        $event = new ExceptionEvent($this->createStub(HttpKernelInterface::class), $request, HttpKernelInterface::MAIN_REQUEST, $error);
        if (null !== $already) {
            $event->setResponse($already);
        }
        (new BrokenPage(new RequestId($stack), \dirname(__DIR__, 3).'/public/storefront/broken.html'))($event);

        return $event->getResponse();
    }
}

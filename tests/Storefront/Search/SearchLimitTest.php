<?php

declare(strict_types=1);

namespace Lantern\Tests\Storefront\Search;

use Lantern\Kernel;
use Lantern\Tests\ShopTestCase;
use Symfony\Component\DependencyInjection\ContainerInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\RateLimiter\RateLimiterFactory;

final class SearchLimitTest extends ShopTestCase
{
    public function testWhoeverSearchesWithoutEndWaitsAndAllElseGoesOn(): void
    {
        $kernel = new Kernel('test', false, 'storefront');
        $kernel->boot();
        $container = $kernel->getContainer()->get('test.service_container');
        self::assertInstanceOf(ContainerInterface::class, $container);
        $limiter = $container->get('limiter.search');
        self::assertInstanceOf(RateLimiterFactory::class, $limiter);
        $ask = static fn (
            string $target,
            string $from = '192.0.2.1',
        ): Response => $kernel->handle(Request::create($target, server: ['REMOTE_ADDR' => $from]));
        self::assertSame(200, $ask('/search?q=paper')->getStatusCode());
        $left = $limiter->create('192.0.2.1')->consume(0)->getRemainingTokens();
        self::assertGreaterThan(60, $left, 'nobody who looks for something comes to it');
        $limiter->create('192.0.2.1')->consume($left);
        $answer = $ask('/search?q=paper');
        self::assertSame(429, $answer->getStatusCode());
        self::assertGreaterThan(0, (int) $answer->headers->get('Retry-After'));
        self::assertStringContainsString('no-store', (string) $answer->headers->get('Cache-Control'));
        self::assertSame(200, $ask('/search')->getStatusCode(), 'the page itself');
        self::assertSame(200, $ask('/papers?q=paper')->getStatusCode());
        self::assertSame(200, $ask('/search?q=paper', '192.0.2.2')->getStatusCode());
        $suggestions = $container->get('limiter.suggestions');
        self::assertInstanceOf(RateLimiterFactory::class, $suggestions);
        $suggestions->create('192.0.2.3')->consume(600);
        self::assertSame(429, $ask('/-/suggestions?q=pa', '192.0.2.3')->getStatusCode());
        self::assertSame(200, $ask('/-/suggestions?q=pa', '192.0.2.2')->getStatusCode());
        $kernel->shutdown();
    }
}

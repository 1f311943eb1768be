<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\Http;

use Lantern\Tests\Admin\ApiTestCase;
use Symfony\Component\RateLimiter\RateLimiterFactory;

final class LimitGuardTest extends ApiTestCase
{
    public function testWhoeverAsksForCostlyWorkWithoutEndWaitsALittle(): void
    {
        $limiter = self::getContainer()->get('limiter.preview');
        self::assertInstanceOf(RateLimiterFactory::class, $limiter);
        $left = $limiter->create($this->person('publisher')->mail)->consume(200);
        self::assertTrue($left->isAccepted(), 'a person at work never comes to it');
        $limiter->create($this->person('publisher')->mail)->consume($left->getRemainingTokens() - 1);
        $this->send('POST', '/api/previews', []);
        self::assertSame(200, $this->code());
        $problem = $this->send('POST', '/api/previews', []);
        self::assertSame(429, $this->code());
        self::assertStringContainsString('Wait', (string) json_encode($problem));
        self::assertGreaterThan(0, (int) $this->header('Retry-After'));
        $this->get('/api/places');
        self::assertSame(200, $this->code(), 'all else goes on');
        $this->signIn('owner');
        $this->send('POST', '/api/previews', []);
        self::assertSame(200, $this->code(), 'and so does all for others');
    }
}

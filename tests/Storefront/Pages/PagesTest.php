<?php

declare(strict_types=1);

namespace Lantern\Tests\Storefront\Pages;

use Lantern\Demo\DemoId;
use Lantern\Kernel;
use Lantern\Node\Customers\StandInCustomer;
use Lantern\Storefront\Http\CustomerCookie;
use Lantern\Tests\ShopTestCase;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

final class PagesTest extends ShopTestCase
{
    public function testAFileForCustomersIsKeptByNobodyElse(): void
    {
        $id = DemoId::of('files/grain-chart');
        $address = $this->value("UPDATE live.place SET audience = 'customers' WHERE kind = 'file' AND light = 'open' RETURNING address");
        self::assertNotSame('', $address, $id);
        self::assertSame(403, $this->ask($address)->getStatusCode());
        $cookie = (new CustomerCookie(new StandInCustomer($this->secret())))->signIn(Request::create('/'), new \DateTimeImmutable());
        self::assertNotNull($cookie);
        $response = $this->ask($address, [$cookie->getName() => (string) $cookie->getValue()]);
        self::assertSame(200, $response->getStatusCode());
        self::assertStringContainsString('private', (string) $response->headers->get('Cache-Control'));
        self::assertStringNotContainsString('public', (string) $response->headers->get('Cache-Control'));
    }

    public function testAFileForEveryoneMayBeKeptByAll(): void
    {
        $address = $this->value("SELECT address FROM live.place WHERE kind = 'file' AND light = 'open' AND audience = 'everyone' LIMIT 1");
        self::assertStringContainsString('public', (string) $this->ask($address)->headers->get('Cache-Control'));
    }

    public function testANameToDownloadThatSlippedInIsNoReasonToFail(): void
    {
        $address = $this->value(<<<'SQL'
            UPDATE live.place SET download_name = ?, serving = 'download' WHERE kind = 'file' AND light = 'open' RETURNING address
            SQL, str_repeat('ü%/"', 2000));
        $response = $this->ask($address);
        self::assertSame(200, $response->getStatusCode());
        self::assertLessThan(2000, \strlen((string) $response->headers->get('Content-Disposition')));
    }

    public function testOneBadRowTakesOnlyItsLineWithIt(): void
    {
        $server = $this->server('lantern_test');
        $server->exec(<<<'SQL'
            UPDATE live.entry SET uri = 'javascript:alert(1)', place_id = NULL, target_kind = 'outside'
            WHERE id = (SELECT e.id FROM live.entry e JOIN live.bay b ON b.menu_id = e.menu_id WHERE b.id = 'header'
            AND e.parent_id IS NULL ORDER BY e.position LIMIT 1)
            SQL);
        $server->exec("UPDATE live.redirect SET goal_place_id = NULL, goal_outside = 'javascript:alert(1)' WHERE source = '/agb'");
        $page = $this->ask('/papers');
        self::assertSame(200, $page->getStatusCode());
        self::assertStringNotContainsString('javascript:', (string) $page->getContent());
        self::assertStringContainsString('href="/tools"', (string) $page->getContent(), 'the other lines are there');
        self::assertSame(404, $this->ask('/agb')->getStatusCode());
        self::assertSame(301, $this->ask('/marbled-papers')->getStatusCode());
    }

    /** @param array<string, string> $cookies */
    private function ask(string $target, array $cookies = []): Response
    {
        $kernel = new Kernel('test', false, 'storefront');
        $response = $kernel->handle(Request::create($target, cookies: $cookies));
        $kernel->shutdown();

        return $response;
    }

    private function secret(): string
    {
        $secret = $_SERVER['APP_SECRET'] ?? '';

        return \is_string($secret) ? $secret : '';
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Node\Http;

use Lantern\Kernel;
use Lantern\Node\Http\RequestId;
use Lantern\Tests\Admin\ApiTestCase;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Bridge\Twig\ErrorRenderer\TwigErrorRenderer;
use Symfony\Component\DependencyInjection\ContainerInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\HttpKernelInterface;
use Twig\Environment;

/** Whoever meets an error can say which it was, and is told nothing else about it. */
final class RequestIdTest extends ApiTestCase
{
    public function testAProblemShowsTheIdThatTheLogHas(): void
    {
        $this->server('lantern_test')->exec('ALTER TABLE workbench.setting RENAME TO hidden');
        $this->browser->request('GET', '/api/details');
        self::assertSame(500, $this->code());
        $this->assertSaysWhich((string) $this->browser->getResponse()->getContent(), (string) $this->header('X-Request-Id'));
    }

    #[TestWith(['admin'])]
    #[TestWith(['storefront'])]
    public function testSoDoesThePageOfAnError(string $origin): void
    {
        $kernel = new Kernel('test', false, $origin);
        $kernel->boot();
        $container = $kernel->getContainer()->get('test.service_container');
        self::assertInstanceOf(ContainerInterface::class, $container);
        [$requests, $ids, $twig] = [
            $container->get(RequestStack::class),
            $container->get(RequestId::class),
            $container->get(Environment::class),
        ];
        self::assertInstanceOf(RequestStack::class, $requests);
        self::assertInstanceOf(RequestId::class, $ids);
        self::assertInstanceOf(Environment::class, $twig);
        $requests->push($request = Request::create('/papers'));
        $ids->give(new RequestEvent($kernel, $request, HttpKernelInterface::MAIN_REQUEST));
        $failure = new \RuntimeException('SQLSTATE[42P01]: relation "hidden" does not exist');
        $this->assertSaysWhich((new TwigErrorRenderer($twig))->render($failure)->getAsString(), $ids->current());
        $kernel->shutdown();
    }

    public function testEachRequestHasItsOwn(): void
    {
        $ids = [];
        foreach (['/', '/api/places', '/api/places/x'] as $path) {
            $this->browser->request('GET', $path, server: ['HTTP_X_REQUEST_ID' => 'mine']);
            $ids[] = $this->header('X-Request-Id');
        }
        self::assertCount(3, array_unique($ids));
        self::assertNotContains('mine', $ids, 'nobody chooses what stands in the log');
    }

    private function assertSaysWhich(string $page, string $id): void
    {
        self::assertMatchesRegularExpression('/^[0-9a-f]{16}$/D', $id);
        self::assertStringContainsString($id, $page);
        self::assertStringNotContainsString('SQLSTATE', $page);
        self::assertStringNotContainsString('hidden', $page);
    }
}

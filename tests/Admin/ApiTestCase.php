<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin;

use Lantern\Admin\Account\Account;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\People\OwnSessions;
use Symfony\Bundle\FrameworkBundle\KernelBrowser;

/** A test that asks the API as a person who is signed in. */
abstract class ApiTestCase extends ShopTestCase
{
    protected KernelBrowser $browser;
    protected string $csrf = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('publisher');
    }

    protected function signIn(string $role): void
    {
        self::ensureKernelShutdown();
        $browser = self::bootKernel()->getContainer()->get('test.client');
        self::assertInstanceOf(KernelBrowser::class, $browser);
        $this->browser = $browser;
        $url = $_SERVER['LANTERN_ADMIN_URL'] ?? '';
        $this->browser->setServerParameter('HTTP_HOST', \is_string($url) ? (string) preg_replace('~^https?://~', '', $url) : '');
        $person = $this->person($role);
        $this->browser->loginUser(new Account($person, session: $this->service(OwnSessions::class)->begin($person, '192.0.2.1', '')));
        $page = $this->browser->request('GET', '/');
        $this->csrf = $page->filter('meta[name="csrf-token"]')->attr('content') ?? '';
    }

    protected function get(string $path): mixed
    {
        $this->browser->request('GET', $path);

        return json_decode((string) $this->browser->getResponse()->getContent(), true);
    }

    /** @param array<string, mixed> $body */
    protected function send(string $method, string $path, array $body = [], ?string $version = null): mixed
    {
        $this->browser->request(
            $method,
            $path,
            server: [
                'HTTP_X_CSRF_TOKEN' => $this->csrf,
                'CONTENT_TYPE' => 'application/json',
            ] + (null === $version ? [] : ['HTTP_IF_MATCH' => $version]),
            content: json_encode((object) $body, \JSON_THROW_ON_ERROR),
        );

        return json_decode((string) $this->browser->getResponse()->getContent(), true);
    }

    protected function at(mixed $data, string|int ...$keys): mixed
    {
        foreach ($keys as $key) {
            self::assertIsArray($data);
            self::assertArrayHasKey($key, $data);
            $data = $data[$key];
        }

        return $data;
    }

    /** @phpstan-impure */
    protected function code(): int
    {
        return $this->browser->getResponse()->getStatusCode();
    }

    /** The version that the answer's tag begins with. */
    protected function version(): int
    {
        self::assertMatchesRegularExpression('/^"\d+\.[0-9a-f]{32}"$/', (string) $this->header('ETag'));

        return (int) strtok(trim((string) $this->header('ETag'), '"'), '.');
    }

    protected function header(string $name): ?string
    {
        return $this->browser->getResponse()->headers->get($name);
    }
}

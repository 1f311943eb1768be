<?php

declare(strict_types=1);

namespace Lantern\Tests\Storefront\Http;

use Firebase\JWT\JWT;
use Lantern\Kernel;
use Lantern\Tests\ShopTestCase;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

/** Customers of the shop's own customer system: what is for them alone is for nobody else, wherever it stands. */
final class CustomerCookieTest extends ShopTestCase
{
    private const SECRET = 'a secret of thirty-two bytes, at least so long';
    private const VARIABLES = [
        'LANTERN_CUSTOMER_SHOP' => 'tansy',
        'LANTERN_CUSTOMER_COOKIE' => 'member',
        'LANTERN_CUSTOMER_SIGN_IN_URL' => 'https://customers.tansyandrook.example/in',
    ];

    private string $file = '';

    protected function setUp(): void
    {
        $this->file = (string) tempnam(sys_get_temp_dir(), 'jwks');
        file_put_contents(
            $this->file,
            json_encode(
                ['keys' => [['kty' => 'oct', 'kid' => 'one', 'alg' => 'HS256', 'k' => JWT::urlsafeB64Encode(self::SECRET)]]],
                \JSON_THROW_ON_ERROR,
            ),
        );
        foreach (self::VARIABLES + ['LANTERN_CUSTOMER_KEYS' => $this->file] as $name => $value) {
            putenv("$name=$value");
            $_SERVER[$name] = $_ENV[$name] = $value;
        }
        parent::setUp();
    }

    protected function tearDown(): void
    {
        parent::tearDown();
        foreach ([...array_keys(self::VARIABLES), 'LANTERN_CUSTOMER_KEYS'] as $name) {
            putenv($name);
            unset($_SERVER[$name], $_ENV[$name]);
        }
        unlink($this->file);
    }

    public function testAPageForCustomersOpensForThemAloneAndItsEntryIsTheirs(): void
    {
        $this->workbench()->executeStatement("UPDATE live.place SET audience = 'customers' WHERE address = '/papers/marbled'");
        self::assertSame(403, $this->ask('/papers/marbled', '')->getStatusCode());
        self::assertStringNotContainsString('href="/papers/marbled"', (string) $this->ask('/', '')->getContent());
        $token = $this->token();
        $page = $this->ask('/papers/marbled', $token);
        self::assertSame(200, $page->getStatusCode());
        self::assertStringContainsString('private', (string) $page->headers->get('Cache-Control'));
        self::assertStringContainsString('Cookie', (string) $page->headers->get('Vary'));
        self::assertStringContainsString('href="/papers/marbled"', (string) $this->ask('/', $token)->getContent());
    }

    public function testAPieceThatLeadsToAPlaceForCustomersIsTheirs(): void
    {
        $spots = $this->pairs(<<<'SQL'
            SELECT pg.address, p.address FROM live.entry e JOIN live.place pg ON pg.id = e.on_page
            JOIN live.place p ON p.id = e.place_id WHERE e.piece IS NOT NULL AND p.kind IN ('product', 'collection', 'page', 'category')
            AND pg.light = 'open' AND p.light = 'open' ORDER BY e.id
            SQL);
        self::assertNotSame([], $spots);
        foreach (\array_slice($spots, 0, 3) as $page => $place) {
            self::assertStringContainsString("href=\"$place\"", (string) $this->ask($page, '')->getContent(), "$page shows $place");
            $this->workbench()->executeStatement("UPDATE live.place SET audience = 'customers' WHERE address = ?", [$place]);
            self::assertStringNotContainsString("href=\"$place\"", (string) $this->ask($page, '')->getContent(), "$page hides $place");
            self::assertStringContainsString("href=\"$place\"", (string) $this->ask($page, $this->token())->getContent());
        }
    }

    public function testAFileForCustomersIsTheirs(): void
    {
        $address = $this->value("UPDATE live.place SET audience = 'customers' WHERE kind = 'file' AND light = 'open' RETURNING address");
        self::assertSame(403, $this->ask($address, '')->getStatusCode());
        self::assertSame(403, $this->ask($address, $this->token(['aud' => 'another']))->getStatusCode());
        self::assertSame(200, $this->ask($address, $this->token())->getStatusCode());
    }

    public function testTheStandInIsGoneAndSigningInIsElsewhere(): void
    {
        $response = $this->ask('/sign-in', '');
        self::assertSame(
            [302, 'https://customers.tansyandrook.example/in'],
            [$response->getStatusCode(), $response->headers->get('Location')],
        );
        $kernel = new Kernel('test', false, 'storefront');
        $posted = $kernel->handle(Request::create('/sign-in', 'POST'));
        $kernel->shutdown();
        self::assertSame([], $posted->headers->getCookies(), 'nobody becomes a customer by a form of the stand-in');
        self::assertStringContainsString('You are signed in', (string) $this->ask('/sign-in', $this->token())->getContent());
    }

    /** @param array<string, mixed> $claims */
    private function token(array $claims = []): string
    {
        return JWT::encode($claims + ['sub' => '17', 'aud' => 'tansy', 'exp' => time() + 600], self::SECRET, 'HS256', 'one');
    }

    private function ask(string $target, string $token): Response
    {
        $kernel = new Kernel('test', false, 'storefront');
        $response = $kernel->handle(Request::create($target, cookies: '' === $token ? [] : ['member' => $token]));
        $kernel->shutdown();

        return $response;
    }
}

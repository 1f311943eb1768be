<?php

declare(strict_types=1);

namespace Lantern\Tests\Start;

use Firebase\JWT\JWT;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\HttpClient\HttpClient;
use Symfony\Component\Process\InputStream;
use Symfony\Component\Process\Process;
use Symfony\Contracts\HttpClient\HttpClientInterface;
use Symfony\Contracts\HttpClient\ResponseInterface;

/**
 * Two nodes of the real program, asked over HTTP as behind a balancer: what is done at one holds at the other; and what goes on when
 * something is gone.
 */
final class NodesTest extends TestCase
{
    private const FIRST = 8420;
    private const OTHER = 8422;
    private const SECRET = 'a secret of thirty-two bytes, at least so long';

    private string $folder = '';
    private Process $nodes;
    private InputStream $words;
    private HttpClientInterface $http;

    /** @var array<string, string> the cookies of the browser that goes on from test to test */
    private array $cookies = [];
    private string $csrf = '';
    private ?ResponseInterface $last = null;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/lantern-nodes-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        chmod($this->folder, 0o755);
        $url = $_SERVER['LANTERN_OWNER_DATABASE_URL'] ?? '';
        $files = $_SERVER['LANTERN_FILES'] ?? '';
        self::assertIsString($url);
        self::assertIsString($files);
        file_put_contents(
            "$this->folder/keys.json",
            json_encode(
                ['keys' => [['kty' => 'oct', 'kid' => 'one', 'alg' => 'HS256', 'k' => JWT::urlsafeB64Encode(self::SECRET)]]],
                \JSON_THROW_ON_ERROR,
            ),
        );
        chmod("$this->folder/keys.json", 0o644);
        $this->words = new InputStream();
        $this->nodes = new Process(
            [\dirname(__DIR__, 2).'/ops/nodes.sh', $this->folder, (string) self::FIRST, $url, $files],
            null,
            array_fill_keys(
                [
                    'DATABASE_URL',
                    'LANTERN_LOCK_DSN',
                    'LANTERN_STOREFRONT_URL',
                    'LANTERN_ADMIN_URL',
                    'LANTERN_FILES',
                    'APP_SECRET',
                    'APP_ENV',
                    'LANTERN_OUTSIDE_STAND_IN',
                ],
                false,
            ) + ['LANTERN_CUSTOMER_KEYS' => "$this->folder/keys.json", 'LANTERN_CUSTOMER_SHOP' => 'tansy'],
            $this->words,
        );
        $this->nodes->setTimeout(400);
        $this->nodes->start();
        $this->http = HttpClient::create(['max_redirects' => 0, 'timeout' => 30]);
        $this->awaitOk();
    }

    protected function tearDown(): void
    {
        $this->words->write("end\n");
        $this->words->close();
        try {
            $this->nodes->wait();
        } catch (\Throwable) {
            $this->nodes->stop(5);
        }
        (new Filesystem())->remove($this->folder);
    }

    public function testTwoNodesAreOneShopAndVisitorsAreServedWithoutThePrimary(): void
    {
        $this->sessionsAndCountsAreShared();
        $this->twoOwnersWhoRemoveEachOtherLeaveOne();
        $this->whatIsForCustomersIsTheirsAtBothNodes();
        $this->whatIsDoneAtOneNodeIsKnownAtTheOther();

        $this->say('shared');
        $this->cookies = [];
        $this->sessionsAndCountsAreShared('publisher');
        $this->theStandbyMayLag();
        $this->withoutThePrimaryVisitorsGetEverything();
        $this->withoutRedisNothingButSessionsIsMissing();
    }

    private function sessionsAndCountsAreShared(string $who = 'owner'): void
    {
        self::assertSame('/', $this->signIn(self::FIRST, $who, "lantern-$who"));
        foreach ([self::FIRST, self::OTHER, self::FIRST] as $node) {
            $session = $this->admin($node, 'GET', '/api/session');
            self::assertSame(200, $session->getStatusCode());
            self::assertSame($who, $session->toArray()['role']);
            $csrf = $session->toArray()['csrfToken'];
            self::assertIsString($csrf);
            $this->csrf = $csrf;
        }
        // Five wrong passwords, wherever they are typed.
        $mine = $this->cookies;
        for ($n = 0; $n < 5; ++$n) {
            $this->cookies = [];
            self::assertSame('/sign-in', $this->signIn(0 === $n % 2 ? self::FIRST : self::OTHER, 'viewer', "wrong $n"));
        }
        $this->cookies = [];
        $this->signIn(self::OTHER, 'viewer', 'lantern-viewer');
        self::assertStringContainsString('Too many attempts', $this->admin(self::FIRST, 'GET', '/sign-in')->getContent(false));
        $this->cookies = $mine;
    }

    private function twoOwnersWhoRemoveEachOtherLeaveOne(): void
    {
        $people = $this->admin(self::FIRST, 'GET', '/api/people')->toArray()['people'] ?? [];
        self::assertIsArray($people);
        $ids = array_column($people, 'id', 'mail');
        [$one, $other] = [$ids['owner@tansyandrook.example'] ?? '', $ids['editor@tansyandrook.example'] ?? ''];
        self::assertTrue(\is_string($one) && \is_string($other));
        self::assertSame(200, $this->admin(self::FIRST, 'PUT', "/api/people/$other/role", ['role' => 'owner'])->getStatusCode());
        [$mine, $csrf] = [$this->cookies, $this->csrf];
        $this->cookies = [];
        self::assertSame('/', $this->signIn(self::OTHER, 'editor', 'lantern-editor'));
        $theirs = $this->admin(self::OTHER, 'GET', '/api/session')->toArray()['csrfToken'] ?? '';
        self::assertIsString($theirs);
        $asked = [$this->ask(
            self::OTHER,
            'PUT',
            "/api/people/$one/role",
            ['role' => 'publisher'],
            $this->headers() + ['X-CSRF-Token' => $theirs],
        )];
        $this->cookies = $mine;
        $asked[] = $this->ask(
            self::FIRST,
            'PUT',
            "/api/people/$other/role",
            ['role' => 'publisher'],
            $this->headers() + ['X-CSRF-Token' => $csrf],
        );
        $codes = array_map(static fn (ResponseInterface $one): int => $one->getStatusCode(), $asked);
        sort($codes);
        // The second is no owner any more when it is judged, or is told that nobody would be left; never both are taken.
        self::assertContains($codes, [[200, 401], [200, 403], [200, 422]], implode(' ', $codes));
        $roles = [];
        foreach (['owner', 'editor'] as $who) {
            $this->cookies = [];
            $this->signIn(self::FIRST, $who, "lantern-$who");
            $roles[] = $this->admin(self::FIRST, 'GET', '/api/session')->toArray()['role'] ?? '';
        }
        sort($roles);
        self::assertSame(['owner', 'publisher'], $roles);
        $this->cookies = [];
        self::assertSame('/', $this->signIn(self::FIRST, 'owner', 'lantern-owner'));
        $session = $this->admin(self::FIRST, 'GET', '/api/session')->toArray();
        $this->csrf = \is_string($session['csrfToken']) ? $session['csrfToken'] : '';
    }

    /**
     * @param array<string, mixed>  $body
     * @param array<string, string> $headers
     */
    private function ask(int $node, string $method, string $path, array $body, array $headers): ResponseInterface
    {
        return $this->http->request($method, 'http://127.0.0.1:'.($node + 1).$path, ['headers' => $headers, 'json' => $body]);
    }

    private function whatIsForCustomersIsTheirsAtBothNodes(): void
    {
        $row = $this->admin(self::FIRST, 'GET', '/api/places?q=first-kits')->toArray()['rows'][0]['place'] ?? [];
        self::assertIsArray($row);
        [$id, $address] = [$row['id'] ?? '', $row['address'] ?? ''];
        self::assertTrue(\is_string($id) && \is_string($address));
        $version = $this->admin(self::FIRST, 'GET', "/api/places/$id")->toArray()['place']['version'] ?? 1;
        self::assertIsInt($version);
        $changed = $this->http->request(
            'PATCH',
            'http://127.0.0.1:'.(self::FIRST + 1)."/api/places/$id",
            [
                'headers' => $this->headers() + ['X-CSRF-Token' => $this->csrf, 'If-Match' => "\"$version\""],
                'json' => ['audience' => 'customers'],
            ],
        );
        self::assertSame(200, $changed->getStatusCode(), $changed->getContent(false));
        $waiting = $this->admin(self::FIRST, 'GET', '/api/waiting')->toArray();
        self::assertSame(200, $this->admin(self::FIRST, 'POST', '/api/releases', ['seen' => $waiting['state'] ?? ''])->getStatusCode());
        $token = static fn (string $shop): string => JWT::encode(
            ['sub' => '17', 'aud' => $shop, 'exp' => time() + 600],
            self::SECRET,
            'HS256',
            'one',
        );
        $as = fn (int $node, string $cookie): int => $this->http->request(
            'GET',
            "http://127.0.0.1:$node$address",
            ['headers' => ['Cookie' => "customer=$cookie"]],
        )->getStatusCode();
        foreach ([self::FIRST, self::OTHER] as $node) {
            $this->eventually(fn (): bool => 403 === $this->shop($node, $address)->getStatusCode());
            // The second time it is a page that the node has kept, answered before the framework starts.
            self::assertSame(
                [200, 200, 403, 403, 403],
                [
                    $as($node, $token('tansy')),
                    $as($node, $token('tansy')),
                    $as($node, $token('another')),
                    $as($node, ''),
                    $as($node, 'made.up.token'),
                ],
            );
        }
    }

    private function whatIsDoneAtOneNodeIsKnownAtTheOther(): void
    {
        $made = $this->admin(self::FIRST, 'POST', '/api/redirects', ['source' => '/once-here', 'target' => '/papers', 'status' => '301']);
        self::assertSame(200, $made->getStatusCode(), $made->getContent(false));
        $preview = $this->admin(
            self::FIRST,
            'POST',
            '/api/previews',
            ['copy' => 'workbench', 'audience' => 'guest', 'at' => null],
        )->toArray();
        $path = parse_url(\is_string($preview['url'] ?? null) ? $preview['url'] : '', \PHP_URL_PATH);
        self::assertIsString($path);
        self::assertSame(
            301,
            $this->shop(self::OTHER, rtrim($path, '/').'/once-here')->getStatusCode(),
            'a preview that one node opens is open at the other',
        );
        self::assertSame(404, $this->shop(self::OTHER, '/once-here')->getStatusCode());
        $this->shop(self::FIRST, '/papers');

        $png = (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwCAAAAC0lEQVR42mNk+A8AAQUBAScY42YAAAAASUVORK5CYII=', true);
        $upload = $this->http->request('POST', 'http://127.0.0.1:'.(self::OTHER + 1).'/api/files', [
            'headers' => $this->headers() + ['X-CSRF-Token' => $this->csrf, 'Content-Type' => 'multipart/form-data; boundary=part'],
            'body' => "--part\r\nContent-Disposition: form-data; name=\"file\"; filename=\"dot-of-a-node.png\"\r\nContent-Type: "
                ."image/png\r\n\r\n$png\r\n--part--\r\n",
        ]);
        self::assertSame(200, $upload->getStatusCode(), $upload->getContent(false));
        $waiting = $this->admin(self::OTHER, 'GET', '/api/waiting')->toArray();
        $released = $this->admin(self::OTHER, 'POST', '/api/releases', ['seen' => $waiting['state'] ?? '']);
        self::assertSame(200, $released->getStatusCode(), $released->getContent(false));
        $address = $this->admin(self::FIRST, 'GET', '/api/places?q=dot-of-a-node')->toArray()['rows'][0]['place']['address'] ?? '';
        self::assertIsString($address);
        foreach ([self::FIRST, self::OTHER] as $node) {
            $this->eventually(fn (): bool => 301 === $this->shop($node, '/once-here')->getStatusCode());
            $this->eventually(fn (): bool => $png === $this->shop($node, $address)->getContent(false));
        }

        // What ends at one node has ended at the other.
        $sessions = $this->admin(self::OTHER, 'GET', '/api/account')->toArray()['sessions'] ?? [];
        self::assertIsArray($sessions);
        $own = array_search(true, array_column($sessions, 'isThis', 'id'), true);
        self::assertIsString($own);
        self::assertSame(200, $this->admin(self::OTHER, 'DELETE', "/api/account/sessions/$own")->getStatusCode());
        self::assertSame(401, $this->admin(self::FIRST, 'GET', '/api/session')->getStatusCode());
    }

    private function theStandbyMayLag(): void
    {
        $this->say('standby-late');
        $this->admin(self::FIRST, 'POST', '/api/redirects', ['source' => '/late-one', 'target' => '/papers', 'status' => '301']);
        $waiting = $this->admin(self::FIRST, 'GET', '/api/waiting')->toArray();
        self::assertSame(200, $this->admin(self::FIRST, 'POST', '/api/releases', ['seen' => $waiting['state'] ?? ''])->getStatusCode());
        for ($n = 0; $n < 5; ++$n) {
            self::assertSame(404, $this->shop(self::OTHER, '/late-one')->getStatusCode(), 'the last release that the standby has, whole');
            self::assertSame(200, $this->shop(self::OTHER, '/papers/marbled')->getStatusCode());
        }
        $this->say('standby-on-time');
        $this->eventually(fn (): bool => 301 === $this->shop(self::OTHER, '/late-one')->getStatusCode());
    }

    private function withoutThePrimaryVisitorsGetEverything(): void
    {
        $this->say('primary-down');
        preg_match_all('~<loc>http://127\.0\.0\.1:\d+(/[^<]*)</loc>~', $this->shop(self::FIRST, '/sitemap.xml')->getContent(), $found);
        self::assertGreaterThan(100, \count($found[1]));
        $asked = [];
        foreach ($found[1] as $n => $path) {
            $asked[$path] = $this->shop(0 === $n % 2 ? self::FIRST : self::OTHER, html_entity_decode($path));
            // A few at a time.
            if (0 === $n % 8) {
                array_walk($asked, static fn (ResponseInterface $one): int => $one->getStatusCode());
            }
        }
        foreach ($asked as $path => $response) {
            self::assertSame(200, $response->getStatusCode(), (string) $path);
        }
        foreach ([
            '/once-here' => 301,
            '/late-one' => 301,
            '/search?q=linen+thredd' => 200,
            '/products?sort=price' => 200,
            '/nowhere-at-all' => 404,
            '/-/health' => 200,
        ] as $path => $status) {
            self::assertSame($status, $this->shop(self::OTHER, $path)->getStatusCode(), $path);
        }
        $problem = $this->admin(self::FIRST, 'GET', '/api/session');
        self::assertSame(503, $problem->getStatusCode());
        self::assertStringContainsString('The database does not answer', $problem->getContent(false));
        self::assertSame(503, $this->admin(self::FIRST, 'GET', '/-/health')->getStatusCode());
        $this->say('primary-up');
        $this->eventually(fn (): bool => 200 === $this->admin(self::FIRST, 'GET', '/api/session')->getStatusCode());
    }

    private function withoutRedisNothingButSessionsIsMissing(): void
    {
        $this->say('redis-down');
        self::assertSame(503, $this->admin(self::OTHER, 'GET', '/api/session')->getStatusCode());
        self::assertSame(200, $this->shop(self::OTHER, '/papers')->getStatusCode());
    }

    /** @return string where it leads on */
    private function signIn(int $node, string $who, string $password): string
    {
        self::assertSame(
            1,
            preg_match('/name="_csrf_token" value="([^"]+)"/', $this->admin($node, 'GET', '/sign-in')->getContent(), $found),
        );
        $response = $this->keep($this->http->request(
            'POST',
            'http://127.0.0.1:'.($node + 1).'/sign-in',
            [
                'headers' => $this->headers(),
                'body' => ['mail' => "$who@tansyandrook.example", 'password' => $password, '_csrf_token' => $found[1]],
            ],
        ));

        return (string) parse_url($response->getHeaders(false)['location'][0] ?? '', \PHP_URL_PATH);
    }

    /** @param array<string, mixed>|null $body */
    private function admin(int $node, string $method, string $path, ?array $body = null): ResponseInterface
    {
        $options = ['headers' => $this->headers() + ('GET' === $method ? [] : ['X-CSRF-Token' => $this->csrf])];

        return $this->keep($this->http->request(
            $method,
            'http://127.0.0.1:'.($node + 1).$path,
            $options + ('GET' === $method ? [] : ['json' => $body ?? new \stdClass()]),
        ));
    }

    private function shop(int $node, string $path): ResponseInterface
    {
        return $this->last = $this->http->request('GET', "http://127.0.0.1:$node$path");
    }

    /** @return array<string, string> as a browser sends them that knows the balancer's name alone */
    private function headers(): array
    {
        return [
            'Host' => '127.0.0.1:'.(self::FIRST + 1),
            'Cookie' => implode(
                '; ',
                array_map(static fn (string $name, string $value): string => "$name=$value", array_keys($this->cookies), $this->cookies),
            ),
        ];
    }

    private function keep(ResponseInterface $response): ResponseInterface
    {
        foreach ($response->getHeaders(false)['set-cookie'] ?? [] as $cookie) {
            [$name, $value] = explode('=', strtok($cookie, ';') ?: '', 2) + ['', ''];
            $this->cookies[$name] = $value;
        }

        return $this->last = $response;
    }

    /** @param \Closure(): bool $holds */
    private function eventually(\Closure $holds): void
    {
        for ($n = 0; $n < 60; ++$n) {
            if ($holds()) {
                $this->addToAssertionCount(1);

                return;
            }
            usleep(200_000);
        }
        self::fail('Twelve seconds were not enough; the last answer was '.($this->last?->getStatusCode() ?? 'none').': '.substr(
            $this->last?->getContent(false) ?? '',
            0,
            300,
        ));
    }

    private function say(string $word): void
    {
        $this->words->write("$word\n");
        $this->awaitOk();
    }

    private function awaitOk(): void
    {
        $said = '';
        $this->nodes->clearOutput();
        for ($n = 0; $n < 1800 && $this->nodes->isRunning(); ++$n) {
            $said .= $this->nodes->getIncrementalOutput();
            if (str_contains($said, "ok\n")) {
                return;
            }
            usleep(50_000);
        }
        self::fail("The nodes did not say that they are ready: $said ".$this->nodes->getErrorOutput());
    }
}

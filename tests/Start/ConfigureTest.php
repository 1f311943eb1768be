<?php

declare(strict_types=1);

namespace Lantern\Tests\Start;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\HttpClient\HttpClient;
use Symfony\Component\Process\Process;
use Symfony\Contracts\HttpClient\Exception\TransportExceptionInterface;

/** What bin/configure writes is served with: two names, TLS, HSTS, HTTP/2, and nothing under any other name. */
final class ConfigureTest extends TestCase
{
    private const HTTPS = 8446;
    private const HTTP = 8447;

    private string $folder = '';

    /** @var list<Process> */
    private array $running = [];

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/lantern-tls-'.bin2hex(random_bytes(4));
        (new Filesystem())->mkdir(["$this->folder/etc", "$this->folder/run/nginx", "$this->folder/log"]);
        (new Process(['chmod', '-R', 'a+rwX', $this->folder]))->mustRun();
        (new Process([
            'openssl',
            'req',
            '-x509',
            '-newkey',
            'ec',
            '-pkeyopt',
            'ec_paramgen_curve:prime256v1',
            '-nodes',
            '-days',
            '2',
            '-subj',
            '/CN=shop.test',
            '-addext',
            'subjectAltName=DNS:shop.test,DNS:lantern.shop.test',
            '-keyout',
            "$this->folder/key.pem",
            '-out',
            "$this->folder/cert.pem",
        ]))->mustRun();
    }

    protected function tearDown(): void
    {
        foreach ($this->running as $one) {
            $one->stop(5);
        }
        (new Filesystem())->remove($this->folder);
    }

    public function testTwoNamesAreServedByTls(): void
    {
        $this->configure();
        $this->start(['/usr/sbin/php-fpm8.2', '--nodaemonize', '--fpm-config', "$this->folder/etc/php-fpm.conf", '-c', 'ops/php.ini']);
        $this->start(['nginx', '-c', "$this->folder/etc/nginx.conf", '-e', "$this->folder/log/nginx.log"]);
        $http = HttpClient::create([
            'max_redirects' => 0,
            'verify_peer' => true,
            'cafile' => "$this->folder/cert.pem",
            'http_version' => '2.0',
            'resolve' => ['shop.test' => '127.0.0.1', 'lantern.shop.test' => '127.0.0.1', 'other.test' => '127.0.0.1'],
            'timeout' => 20,
        ]);
        $shop = 'https://shop.test:'.self::HTTPS;
        $this->waitFor('tcp://127.0.0.1:'.self::HTTPS);
        // nginx is there long before PHP where the machine is busy: until then it says that the shop is away.
        foreach (['shop', 'management'] as $pool) {
            $this->waitFor("unix://$this->folder/run/$pool.sock");
        }
        foreach ([
            "$shop/" => 200,
            "$shop/nowhere-at-all" => 404,
            "$shop/-/icon.svg" => 200,
            "$shop/papers" => 200,
            'https://lantern.shop.test:'.self::HTTPS.'/sign-in' => 200,
            'https://lantern.shop.test:'.self::HTTPS.'/assets/nothing.js' => 404,
        ] as $url => $status) {
            $response = $http->request('GET', $url);
            self::assertSame($status, $response->getStatusCode(), $url);
            self::assertSame(
                ['max-age=31536000; includeSubDomains'],
                $response->getHeaders(false)['strict-transport-security'] ?? [],
                $url,
            );
            self::assertSame(\CURL_HTTP_VERSION_2_0, $response->getInfo('http_version'), $url);
        }
        $cookie = $http->request('GET', 'https://lantern.shop.test:'.self::HTTPS.'/sign-in')->getHeaders()['set-cookie'][0] ?? '';
        self::assertMatchesRegularExpression('/^__Host-lantern=[^;]+; path=\/; secure; HttpOnly; SameSite=lax$/i', $cookie);

        $plain = $http->request('GET', 'http://lantern.shop.test:'.self::HTTP.'/menus?x=1');
        self::assertSame(
            [301, 'https://lantern.shop.test:'.self::HTTPS.'/menus?x=1'],
            [$plain->getStatusCode(), $plain->getHeaders(false)['location'][0] ?? ''],
        );
        self::assertSame(404, $http->request('GET', 'http://other.test:'.self::HTTP.'/')->getStatusCode());
        $said = '';
        try {
            $http->request('GET', 'https://other.test:'.self::HTTPS.'/')->getStatusCode();
        } catch (TransportExceptionInterface $refused) {
            $said = $refused->getMessage();
        }
        self::assertNotSame('', $said, 'a name that is not the shop’s gets no answer');
        // The storefront and the management are two: neither answers for the other.
        self::assertSame(404, $http->request('GET', "$shop/api/session")->getStatusCode());
        self::assertStringContainsString(
            'lantern_release_number',
            $http->request('GET', 'http://127.0.0.1:'.(self::HTTP + 1).'/-/metrics')->getContent(),
        );
        self::assertSame(404, $http->request('GET', 'https://lantern.shop.test:'.self::HTTPS.'/-/metrics')->getStatusCode());
    }

    public function testSecretsAreReadByNobodyElseAndWhatIsMissingIsNamed(): void
    {
        $this->configure();
        self::assertSame('0600', substr(\sprintf('%o', (int) fileperms("$this->folder/etc/php-fpm.conf")), -4));
        $pools = explode('[management]', (string) file_get_contents("$this->folder/etc/php-fpm.conf"));
        self::assertStringContainsString('lantern_shop:', $pools[0]);
        self::assertStringNotContainsString('lantern_admin:', $pools[0]);
        self::assertStringNotContainsString('lantern_shop:', $pools[1] ?? '');
        $without = new Process(
            ['bin/configure', "$this->folder/etc"],
            \dirname(__DIR__, 2),
            ['LANTERN_TLS_KEY' => false] + $this->environment(),
        );
        self::assertSame(1, $without->run());
        self::assertStringContainsString('LANTERN_TLS_KEY is not set', $without->getErrorOutput());
    }

    private function configure(): void
    {
        $configure = new Process(['bin/configure', "$this->folder/etc"], \dirname(__DIR__, 2), $this->environment());
        $configure->mustRun();
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [
            'LANTERN_STOREFRONT_URL' => 'https://shop.test:'.self::HTTPS,
            'LANTERN_ADMIN_URL' => 'https://lantern.shop.test:'.self::HTTPS,
            'LANTERN_TLS_CERTIFICATE' => "$this->folder/cert.pem",
            'LANTERN_TLS_KEY' => "$this->folder/key.pem",
            'LANTERN_HTTP_PORT' => (string) self::HTTP,
            'LANTERN_METRICS_PORT' => (string) (self::HTTP + 1),
            'LANTERN_RUN' => "$this->folder/run",
            'LANTERN_LOGS' => "$this->folder/log",
            'LANTERN_USER' => 0 === posix_geteuid() ? 'www-data' : get_current_user(),
        ];
    }

    private function waitFor(string $address): void
    {
        for ($n = 0; $n < 600 && !($connection = @stream_socket_client($address, timeout: 1)); ++$n) {
            usleep(100_000);
        }
        self::assertIsResource($connection ?? null, "nothing listens at $address");
        fclose($connection);
    }

    /** @param list<string> $command */
    private function start(array $command): void
    {
        $process = new Process($command, \dirname(__DIR__, 2));
        $process->setTimeout(null);
        $process->start();
        $this->running[] = $process;
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\OutsideLinks;

use Lantern\Workbench\OutsideLinks\MadeUpWorldClient;
use Lantern\Workbench\OutsideLinks\OutsideClient;
use Lantern\Workbench\OutsideLinks\OutsideClientFactory;
use Lantern\Workbench\OutsideLinks\PacedClient;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Symfony\Component\HttpClient\Exception\TransportException;
use Symfony\Component\HttpClient\MockHttpClient;
use Symfony\Component\HttpClient\NoPrivateNetworkHttpClient;
use Symfony\Component\HttpClient\Response\MockResponse;
use Symfony\Component\Process\Process;
use Symfony\Component\RateLimiter\RateLimiterFactory;
use Symfony\Component\RateLimiter\Storage\InMemoryStorage;

/** Asked of a real server, which never answers, answers for ever, leads astray. */
final class OutsideClientTest extends TestCase
{
    private static Process $world;
    private static string $at = '';

    public static function setUpBeforeClass(): void
    {
        self::$world = new Process(
            [
                \PHP_BINARY,
                '-r',
                'require "vendor/autoload.php"; (new Lantern\Demo\OutsideWorld())->serve(0, static function (int $port): void { '
                    .'fwrite(STDOUT, "$port\n"); });',
            ],
            \dirname(__DIR__, 3),
        );
        self::$world->setTimeout(null);
        self::$world->start();
        self::$world->waitUntil(static fn (string $type, string $output): bool => str_contains($output, "\n"));
        self::$at = 'http://127.0.0.1:'.trim(self::$world->getOutput());
    }

    public static function tearDownAfterClass(): void
    {
        self::$world->stop(1);
    }

    #[TestWith(['https://hollin-mill.example/', 200, null, ''])]
    #[TestWith(['https://pear-block.example/visits', 404, null, ''])]
    #[TestWith(['https://gone.example/', 410, null, ''])]
    #[TestWith(['https://valley-gazette.example/workshop', 200, null, ''])]
    #[TestWith(['http://odile-farrow.example/marbling', 200, 'https://odile-farrow.example/papers', ''])]
    #[TestWith(['https://no-heads.example/', 200, null, ''])]
    #[TestWith(['https://loop.example/', 0, null, 'it redirects in a circle, or too often'])]
    #[TestWith(['https://file.example/', 0, null, 'it redirects to what is no web address'])]
    #[TestWith(['https://inward.example/', 0, null, 'its name leads into a private network'])]
    #[TestWith(['https://ludd-spinners.example/thread', 0, null, 'it did not answer within ten seconds'])]
    #[TestWith(['https://weft-and-tenter.example/cloth', 0, null, 'it broke off'])]
    #[TestWith(['http://127.0.0.1:1/', 0, null, 'its name leads into a private network'])]
    #[TestWith(['http://[::1]/', 0, null, 'its name leads into a private network'])]
    #[TestWith(['http://localhost/', 0, null, 'its name leads into a private network'])]
    public function testWhatItFindsOut(string $url, int $status, ?string $moved, string $why): void
    {
        $answer = (new OutsideClient(OutsideClientFactory::make(self::$at), 0.5))->ask($url);
        self::assertSame([$status, $moved, $why], [$answer->status, $answer->moved, $answer->why]);
    }

    public function testWhatAnswersForEverIsLeftAfterItsHead(): void
    {
        $began = microtime(true);
        self::assertSame(200, (new OutsideClient(OutsideClientFactory::make(self::$at), 5.0))->ask('https://endless.example/')->status);
        self::assertLessThan(4, microtime(true) - $began);
    }

    public function testAHostThatAsksForPatienceIsLeftAlone(): void
    {
        self::assertSame(1800, (new OutsideClient(OutsideClientFactory::make(self::$at), 0.5))->ask('https://patient.example/')->patience);
    }

    public function testWhatAnswersOnHttpsAsWell(): void
    {
        self::assertTrue(
            (new OutsideClient(OutsideClientFactory::make(self::$at), 0.5))->ask('http://corbel-and-daughter.example/bone')->secure,
        );
    }

    /** A name may lead to the web when it is looked up, and into the house when it is connected to. */
    public function testANameThatLeadsIntoThePrivateNetworkTheSecondTime(): void
    {
        $inside = new MockHttpClient(static fn (): MockResponse => new MockResponse('secret', ['primary_ip' => '10.0.0.7']));
        $answer = (new OutsideClient(new NoPrivateNetworkHttpClient($inside)))->ask('http://93.184.216.34/');
        self::assertSame([0, 'its name leads into a private network'], [$answer->status, $answer->why]);
    }

    public function testABrokenCertificate(): void
    {
        $client = new MockHttpClient(
            static fn () => throw new TransportException('SSL certificate problem: certificate has expired for "https://old.example/".'),
        );
        self::assertSame('its certificate is not in order', (new OutsideClient($client))->ask('https://old.example/')->why);
    }

    public function testOnlyMadeUpHostsAreAskedOfTheStandIn(): void
    {
        $asked = [];
        $real = new MockHttpClient(static function (string $method, string $url) use (&$asked): MockResponse {
            $asked[] = $url;

            return new MockResponse();
        });
        $asker = new OutsideClient(new MadeUpWorldClient($real, self::$at));
        foreach ([
            'https://example/',
            'https://example.com/',
            'https://hollin-mill.example.com/',
            'https://hollin-mill.example@127.0.0.1/',
            'https://hollin-mill.example:8080/',
        ] as $url) {
            $asker->ask($url);
        }
        self::assertCount(5, $asked);
    }

    /** Where a redirect leads is read as the RFCs say (RFC 3986, 5.2.2; RFC 9110, 10.2.2). */
    #[TestWith(['https://a.example/b/c', '?lang=en', 'https://a.example/b/c?lang=en'])]
    #[TestWith(['https://a.example/b/c', '../x', 'https://a.example/x'])]
    #[TestWith(['https://a.example/b/c', 'd', 'https://a.example/b/d'])]
    #[TestWith(['https://a.example/b/c', '//b.example/d', 'https://b.example/d'])]
    #[TestWith(['https://a.example/x#sizes', '/y', 'https://a.example/y#sizes'])]
    #[TestWith(['https://a.example/x#sizes', '/y#other', 'https://a.example/y#other'])]
    public function testWhereARedirectLeads(string $from, string $location, string $to): void
    {
        $asked = [];
        $client = new MockHttpClient(static function (string $method, string $url) use (&$asked, $location): MockResponse {
            $asked[] = $url;

            return 1 === \count($asked)
                ? new MockResponse('', ['http_code' => 301, 'response_headers' => ["Location: $location"]])
                : new MockResponse();
        });
        self::assertSame($to, (new OutsideClient($client))->ask($from)->moved);
    }

    /** Everything that one question takes: the body where the head was refused, redirects and the hosts they lead to, https beside http. */
    public function testASecondPassesBetweenAnyTwoRequestsToOneHost(): void
    {
        $asked = [];
        $inside = new MockHttpClient(static function (string $method, string $url) use (&$asked): MockResponse {
            $asked[] = [parse_url($url, \PHP_URL_HOST), microtime(true)];

            return 'HEAD' === $method
                ? new MockResponse('', ['http_code' => 405])
                : new MockResponse(
                    '',
                    str_contains($url, 'a.example') ? ['http_code' => 302, 'response_headers' => ['Location: https://b.example/']] : [],
                );
        });
        $paces = new RateLimiterFactory(
            ['id' => 'outside_host', 'policy' => 'token_bucket', 'limit' => 1, 'rate' => ['interval' => '1 second']],
            new InMemoryStorage(),
        );
        $asker = new OutsideClient(new PacedClient($inside, $paces));
        $asker->ask('https://a.example/1');
        $asker->ask('https://a.example/2');
        $last = [];
        foreach ($asked as [$host, $at]) {
            self::assertGreaterThanOrEqual(0.98, $at - ($last[$host] ?? 0.0));
            $last[$host] = $at;
        }
        self::assertCount(8, $asked);
    }

    #[TestWith(['http://192.0.0.8/'])]
    #[TestWith(['http://224.0.0.1/'])]
    #[TestWith(['http://239.255.255.250/'])]
    #[TestWith(['http://[ff02::1]/'])]
    #[TestWith(['http://[64:ff9b::7f00:1]/'])]
    public function testWhatIsNotOutThereForEverybodyIsNotAsked(string $url): void
    {
        self::assertSame(
            [0, 'its name leads into a private network'],
            [($answer = (new OutsideClient(OutsideClientFactory::make(null), 0.5))->ask($url))->status, $answer->why],
        );
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Findings;

use Lantern\Workbench\Findings\MadeUpWorldClient;
use Lantern\Workbench\Findings\OutsideAsker;
use Lantern\Workbench\Findings\OutsideClient;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Symfony\Component\HttpClient\Exception\TransportException;
use Symfony\Component\HttpClient\MockHttpClient;
use Symfony\Component\HttpClient\NoPrivateNetworkHttpClient;
use Symfony\Component\HttpClient\Response\MockResponse;
use Symfony\Component\Process\Process;

/** Asked of a real server, which never answers, answers for ever, leads astray. */
final class OutsideAskerTest extends TestCase
{
    private static Process $world;
    private static string $at = '';

    public static function setUpBeforeClass(): void
    {
        self::$world = new Process([\PHP_BINARY, '-r', 'require "vendor/autoload.php"; (new Lantern\Demo\OutsideWorld())->serve(0, static function (int $port): void { fwrite(STDOUT, "$port\n"); });'], \dirname(__DIR__, 3));
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
        $answer = (new OutsideAsker(OutsideClient::make(self::$at), 0.5))->ask($url);
        self::assertSame([$status, $moved, $why], [$answer->status, $answer->moved, $answer->why]);
    }

    public function testWhatAnswersForEverIsLeftAfterItsHead(): void
    {
        $began = microtime(true);
        self::assertSame(200, (new OutsideAsker(OutsideClient::make(self::$at), 5.0))->ask('https://endless.example/')->status);
        self::assertLessThan(4, microtime(true) - $began);
    }

    public function testAHostThatAsksForPatienceIsLeftAlone(): void
    {
        self::assertSame(1800, (new OutsideAsker(OutsideClient::make(self::$at), 0.5))->ask('https://patient.example/')->patience);
    }

    public function testWhatAnswersOnHttpsAsWell(): void
    {
        self::assertTrue((new OutsideAsker(OutsideClient::make(self::$at), 0.5))->ask('http://corbel-and-daughter.example/bone')->secure);
    }

    /** A name may lead to the web when it is looked up, and into the house when it is connected to. */
    public function testANameThatLeadsIntoThePrivateNetworkTheSecondTime(): void
    {
        $inside = new MockHttpClient(static fn (): MockResponse => new MockResponse('secret', ['primary_ip' => '10.0.0.7']));
        $answer = (new OutsideAsker(new NoPrivateNetworkHttpClient($inside)))->ask('http://93.184.216.34/');
        self::assertSame([0, 'its name leads into a private network'], [$answer->status, $answer->why]);
    }

    public function testABrokenCertificate(): void
    {
        $client = new MockHttpClient(static fn () => throw new TransportException('SSL certificate problem: certificate has expired for "https://old.example/".'));
        self::assertSame('its certificate is not in order', (new OutsideAsker($client))->ask('https://old.example/')->why);
    }

    public function testOnlyMadeUpHostsAreAskedOfTheStandIn(): void
    {
        $asked = [];
        $real = new MockHttpClient(static function (string $method, string $url) use (&$asked): MockResponse {
            $asked[] = $url;

            return new MockResponse();
        });
        $asker = new OutsideAsker(new MadeUpWorldClient($real, self::$at));
        foreach (['https://example/', 'https://example.com/', 'https://hollin-mill.example.com/', 'https://hollin-mill.example@127.0.0.1/', 'https://hollin-mill.example:8080/'] as $url) {
            $asker->ask($url);
        }
        self::assertCount(5, $asked);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Mailing;

use Lantern\Workbench\Mailing\SignedWebhook;
use Lantern\Workbench\Mailing\TellService;
use PHPUnit\Framework\TestCase;
use Symfony\Component\HttpClient\MockHttpClient;
use Symfony\Component\HttpClient\Response\MockResponse;

final class SignedWebhookTest extends TestCase
{
    private const SECRET = 'whsec_MfKQ9r8GKYqrTwjUPD8ILPZIo2LaLaSw';

    /** The example that the implementations of Standard Webhooks are tested with. */
    public function testItSignsAsThePublishedExample(): void
    {
        self::assertSame(
            'v1,g0hM9SsE+OTPJTGt/tmIKtSyZlE3uFJELVlNIOLJ1OE=',
            SignedWebhook::signature(self::SECRET, 'msg_p5jXN8AQM9LWM0D4loKWxJek', '1614265330', '{"test": 2432232314}'),
        );
    }

    public function testItTellsWithAnIdAMomentAndASignatureOfBoth(): void
    {
        $sent = [];
        $client = new MockHttpClient(static function (string $method, string $url, array $options) use (&$sent): MockResponse {
            $sent = [$method, $url, $options['headers'], $options['body']];

            return new MockResponse('', ['http_code' => 204]);
        });
        (new SignedWebhook($client, 'https://letters.example/hook', self::SECRET))->tell(
            'event-1',
            new TellService('joined', 'Letters', 'ada@example.org', 1_700_000_000),
        );
        [$method, $url, $headers, $body] = $sent;
        self::assertSame(['POST', 'https://letters.example/hook'], [$method, $url]);
        self::assertSame(
            '{"type":"subscriber.joined","timestamp":"2023-11-14T22:13:20+00:00","data":{"list":"Letters","address":"ada@example.org"}}',
            $body,
        );
        self::assertIsArray($headers);
        $named = [];
        foreach ($headers as $header) {
            self::assertIsString($header);
            [$name, $value] = explode(': ', $header, 2);
            $named[$name] = $value;
        }
        self::assertSame('event-1', $named['webhook-id']);
        self::assertEqualsWithDelta(time(), (int) $named['webhook-timestamp'], 5);
        self::assertSame(
            SignedWebhook::signature(self::SECRET, 'event-1', $named['webhook-timestamp'], $body),
            $named['webhook-signature'],
        );
    }

    public function testWhatDidNotHearIsToldAgainLater(): void
    {
        $hook = new SignedWebhook(
            new MockHttpClient(new MockResponse('', ['http_code' => 302])),
            'https://letters.example/hook',
            self::SECRET,
        );
        $this->expectExceptionMessage('The mailing service answered 302.');
        $hook->tell('event-1', new TellService('left', 'Letters', 'ada@example.org', 1));
    }

    public function testASecretThatIsNoneIsSaidAtOnce(): void
    {
        $this->expectExceptionMessage('LANTERN_LIST_WEBHOOK_SECRET is no secret of Standard Webhooks.');
        new SignedWebhook(new MockHttpClient(), 'https://letters.example/hook', 'whsec_c2hvcnQ=');
    }
}

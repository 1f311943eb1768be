<?php

declare(strict_types=1);

namespace Lantern\Workbench\Mailing;

use Symfony\Contracts\HttpClient\HttpClientInterface;

/**
 * Tells a mailing service by a signed request, as Standard Webhooks 1.0 has it: `webhook-id`, `webhook-timestamp`,
 * and `webhook-signature` with `v1,` and an HMAC-SHA256 of id, timestamp and body in base64.
 */
final readonly class SignedWebhook implements MailingService
{
    private const SECONDS = 10;

    /** @param string $secret `whsec_` and base64 */
    public function __construct(private HttpClientInterface $client, private string $url, private string $secret)
    {
        if ('' === self::key($secret)) {
            throw new \InvalidArgumentException(
                'LANTERN_LIST_WEBHOOK_SECRET is no secret of Standard Webhooks. Write whsec_ and at least 24 bytes in base64.',
            );
        }
    }

    public function tell(string $eventId, TellService $event): void
    {
        $body = json_encode(
            [
                'type' => "subscriber.{$event->type}",
                'timestamp' => gmdate(\DATE_ATOM, $event->at),
                'data' => ['list' => $event->list, 'address' => $event->address],
            ],
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES,
        );
        $at = (string) time();
        $status = $this->client->request('POST', $this->url, [
            'headers' => [
                'content-type' => 'application/json',
                'webhook-id' => $eventId,
                'webhook-timestamp' => $at,
                'webhook-signature' => self::signature($this->secret, $eventId, $at, $body),
            ],
            'body' => $body,
            'timeout' => self::SECONDS,
            'max_duration' => self::SECONDS,
            'max_redirects' => 0,
        ])->getStatusCode();
        if ($status < 200 || $status > 299) {
            throw new \RuntimeException("The mailing service answered $status.");
        }
    }

    public static function signature(string $secret, string $id, string $timestamp, string $body): string
    {
        return 'v1,'.base64_encode(hash_hmac('sha256', "$id.$timestamp.$body", self::key($secret), true));
    }

    private static function key(string $secret): string
    {
        $key = str_starts_with($secret, 'whsec_') ? base64_decode(substr($secret, 6), true) : false;

        return false === $key || \strlen($key) < 24 ? '' : $key;
    }
}

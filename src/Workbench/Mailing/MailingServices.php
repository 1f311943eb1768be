<?php

declare(strict_types=1);

namespace Lantern\Workbench\Mailing;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\HttpClient\HttpClientInterface;

/** The mailing service that this shop has: the one that is configured, else the stand-in. */
final readonly class MailingServices
{
    public function __construct(
        private ServiceStandIn $standIn,
        private HttpClientInterface $client,
        #[Autowire(env: 'default::LANTERN_LIST_WEBHOOK_URL')] private ?string $url,
        #[Autowire(env: 'default::LANTERN_LIST_WEBHOOK_SECRET')] private ?string $secret,
    ) {
    }

    public function service(): MailingService
    {
        return null === $this->url || '' === $this->url
            ? $this->standIn
            : new SignedWebhook($this->client, $this->url, (string) $this->secret);
    }
}

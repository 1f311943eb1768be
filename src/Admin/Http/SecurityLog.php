<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Lantern\Node\RequestId;
use Psr\Log\LoggerInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;

/** Who did, or tried, what: one line of JSON each, with the id of the request, and without secrets. */
final readonly class SecurityLog
{
    public function __construct(#[Autowire(service: 'monolog.logger.security_events')] private LoggerInterface $logger, private TokenStorageInterface $tokens, private RequestId $requests)
    {
    }

    /**
     * @param string                    $what  such as sign-in, sign-in-failed, refused, forged-request, published
     * @param array<string, int|string> $about
     */
    public function write(string $what, array $about = []): void
    {
        $this->logger->info($what, ['who' => $this->tokens->getToken()?->getUserIdentifier() ?? '', 'request' => $this->requests->current()] + $about);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\OutsideLinks;

use Symfony\Component\HttpClient\DecoratorTrait;
use Symfony\Component\RateLimiter\RateLimiterFactory;
use Symfony\Contracts\HttpClient\HttpClientInterface;
use Symfony\Contracts\HttpClient\ResponseInterface;

/**
 * Lets a second pass between two requests to one host, whatever they are for: another address, the body where the head was refused, a
 * redirect, the same by https. It is counted where all workers see it, so two of them together are no quicker.
 */
final class PacedClient implements HttpClientInterface
{
    use DecoratorTrait;

    public function __construct(private HttpClientInterface $client, private readonly RateLimiterFactory $paces)
    {
    }

    /** @param array<string, mixed> $options as in the contract */
    public function request(string $method, string $url, array $options = []): ResponseInterface
    {
        $host = parse_url($url, \PHP_URL_HOST);
        $this->paces->create(hash('xxh128', strtolower(\is_string($host) ? $host : $url)))->reserve()->wait();

        return $this->client->request($method, $url, $options);
    }
}

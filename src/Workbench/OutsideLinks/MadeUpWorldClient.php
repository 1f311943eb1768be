<?php

declare(strict_types=1);

namespace Lantern\Workbench\OutsideLinks;

use Symfony\Component\HttpClient\DecoratorTrait;
use Symfony\Component\HttpClient\HttpClient;
use Symfony\Contracts\HttpClient\HttpClientInterface;
use Symfony\Contracts\HttpClient\ResponseInterface;

/**
 * For the demo: hosts below `.example`, which no real one can have (RFC 2606, 2), are asked of a stand-in on this machine, where
 * the first two parts of the path are scheme and host. Everything else is asked as ever.
 */
final class MadeUpWorldClient implements HttpClientInterface
{
    use DecoratorTrait;

    private readonly HttpClientInterface $world;

    public function __construct(private HttpClientInterface $client, private readonly string $standIn)
    {
        $this->world = HttpClient::create(['no_proxy' => '*']);
    }

    /** @param array<string, mixed> $options as in the contract */
    public function request(string $method, string $url, array $options = []): ResponseInterface
    {
        if (1 !== preg_match('~^(https?)://([a-z0-9.-]+\.example)(/[^#]*)?$~Di', $url, $part)) {
            return $this->client->request($method, $url, $options);
        }

        return $this->world->request($method, $this->standIn.'/'.strtolower($part[1]).'/'.strtolower($part[2]).($part[3] ?? '/'), $options);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Symfony\Component\HttpClient\HttpClient;
use Symfony\Component\HttpClient\NoPrivateNetworkHttpClient;
use Symfony\Contracts\HttpClient\HttpClientInterface;

/** Makes the client by which other web sites are asked: one that goes to no private network. */
final class OutsideClient
{
    /** @param string|null $standIn of the demo: where the made-up world answers, such as http://127.0.0.1:8093 */
    public static function make(?string $standIn): HttpClientInterface
    {
        $safe = new NoPrivateNetworkHttpClient(HttpClient::create());

        return null === $standIn || '' === $standIn ? $safe : new MadeUpWorldClient($safe, $standIn);
    }
}

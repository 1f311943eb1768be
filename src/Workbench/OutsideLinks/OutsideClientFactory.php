<?php

declare(strict_types=1);

namespace Lantern\Workbench\OutsideLinks;

use Symfony\Component\HttpClient\HttpClient;
use Symfony\Component\HttpClient\NoPrivateNetworkHttpClient;
use Symfony\Component\HttpFoundation\IpUtils;
use Symfony\Contracts\HttpClient\HttpClientInterface;

/** Makes the client by which other web sites are asked: one that goes to no private network. */
final class OutsideClientFactory
{
    /** Whatever is not out there for everybody (IANA's special-purpose registries; RFC 6890, RFC 5771, RFC 4291, 2.7). */
    private const NOT_THE_WEB = [
        ...IpUtils::PRIVATE_SUBNETS, '192.0.0.0/24', '192.88.99.0/24', '224.0.0.0/4', '::/128', '64:ff9b::/96', '64:ff9b:1::/48',
        '100::/64', '2001::/23', '2001:db8::/32', '2002::/16', 'ff00::/8',
    ];

    /** @param string|null $standIn of the demo: where the made-up world answers, such as http://127.0.0.1:8093 */
    public static function make(?string $standIn): HttpClientInterface
    {
        // What is asked is what the name leads to: no proxy of this machine's surroundings stands between.
        $safe = new NoPrivateNetworkHttpClient(HttpClient::create(['no_proxy' => '*']), self::NOT_THE_WEB);

        return null === $standIn || '' === $standIn ? $safe : new MadeUpWorldClient($safe, $standIn);
    }
}

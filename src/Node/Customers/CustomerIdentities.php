<?php

declare(strict_types=1);

namespace Lantern\Node\Customers;

/** Which customer system this shop has: its own where it gave its keys, else the stand-in. */
final class CustomerIdentities
{
    /**
     * By environment variables, which the servers have before any framework is there.
     *
     * @phpstan-impure
     */
    public static function ofEnvironment(): CustomerIdentity
    {
        $keys = self::variable('LANTERN_CUSTOMER_KEYS');

        return '' === $keys
            ? new StandInCustomer(self::variable('APP_SECRET'))
            : new SignedCustomer(
                $keys,
                self::variable('LANTERN_CUSTOMER_SHOP'),
                self::variable('LANTERN_CUSTOMER_ISSUER'),
                self::variable('LANTERN_CUSTOMER_COOKIE') ?: StandInCustomer::COOKIE,
            );
    }

    /** @param string $cookies the header Cookie (RFC 6265, 4.2.1) */
    public static function among(string $cookies, CustomerIdentity $identity): string
    {
        return 1 === preg_match('/(?:^|;\s*)'.preg_quote($identity->cookie(), '/').'=([0-9A-Za-z._-]*)/D', $cookies, $found)
            ? $found[1]
            : '';
    }

    private static function variable(string $name): string
    {
        $value = getenv($name);
        $value = false === $value ? $_SERVER[$name] ?? '' : $value;

        return \is_string($value) ? $value : '';
    }
}

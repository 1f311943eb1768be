<?php

declare(strict_types=1);

namespace Lantern\Core\Address;

/** The addresses that the storefront itself serves; no place, and no redirect, can have one. */
final class ReservedAddresses
{
    private const EXACT = [
        '/' => 'it is the front page',
        '/sitemap.xml' => 'search engines read the sitemap there',
        '/robots.txt' => 'search engines read their rules there',
        '/navigation.json' => 'the menus are served there for other programs',
        '/site.webmanifest' => 'browsers read there how the shop is called and coloured',
        '/search' => 'visitors search the shop there',
        '/sign-in' => 'customers sign in there',
        '/sign-up' => 'visitors sign up for letters there',
        '/sign-up/yes' => 'the links of letters lead there',
        '/sign-up/no' => 'the links of letters lead there',
        '/basket' => 'visitors find there what they put into their basket',
        '/favicon.ico' => 'browsers fetch the shop\'s icon there',
    ];

    /** Everything that belongs to the program itself lives below this part. */
    public const OWN_PREFIX = '/-';

    /** What the program serves below its own part: pages and files that somebody may link to. */
    private const SERVED = '~^/-/(?:health|icon\.svg|looks\.css|(?:pictures|assets|preview)/.+)$~D';

    /** Whether something answers at a reserved address; a part of the sitemap is for whoever knows how many there are. */
    public static function isServed(Address $address): bool
    {
        return isset(self::EXACT[$address->path]) || 1 === preg_match(self::SERVED, $address->path);
    }

    /** The reason in words, or null where the address is free to use. */
    public static function reason(Address $address): ?string
    {
        if (isset(self::EXACT[$address->path])) {
            return self::EXACT[$address->path];
        }

        if (1 === preg_match('~^/sitemap-\d+\.xml$~D', $address->path)) {
            return self::EXACT['/sitemap.xml'];
        }

        return self::OWN_PREFIX === $address->path || str_starts_with($address->path, self::OWN_PREFIX.'/')
            ? 'addresses below /- belong to the program'
            : null;
    }
}

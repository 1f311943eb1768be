<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Address;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\ReservedAddresses;
use PHPUnit\Framework\TestCase;

final class ReservedAddressesTest extends TestCase
{
    public function testWhatTheStorefrontServesItselfIsReserved(): void
    {
        foreach ([
            '/',
            '/sitemap.xml',
            '/robots.txt',
            '/navigation.json',
            '/search',
            '/Search/',
            '/sign-in',
            '/favicon.ico',
            '/-',
            '/-/assets/main.js',
            '/-/preview/x',
        ] as $address) {
            self::assertNotNull(ReservedAddresses::reason(Address::parse($address)), $address);
        }
    }

    public function testWhatOnlyLooksLikeItIsNot(): void
    {
        foreach (['/searching', '/search/tips', '/sitemap', '/-ish', '/papers/-', '/sign-in-book'] as $address) {
            self::assertNull(ReservedAddresses::reason(Address::parse($address)), $address);
        }
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Interchange\Sitemap;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\ReservedAddresses;
use Lantern\Interchange\Sitemap\Robots;
use Lantern\Interchange\Sitemap\Sitemap;
use PHPUnit\Framework\TestCase;

final class SitemapTest extends TestCase
{
    public function testNamesAddressesInFull(): void
    {
        $xml = simplexml_load_string(Sitemap::of([Address::parse('/café & more'), Address::parse('/quiet')], 'https://shop.example'));
        self::assertNotFalse($xml);
        self::assertSame(['https://shop.example/caf%C3%A9%20&%20more', 'https://shop.example/quiet'], self::named($xml->url));
        self::assertStringContainsString("Sitemap: https://shop.example/sitemap.xml\n", Robots::of('https://shop.example'));
    }

    public function testAnIndexNamesItsPartsWhereTheyAre(): void
    {
        $xml = simplexml_load_string(Sitemap::index(3, 'https://shop.example'));
        self::assertNotFalse($xml);
        self::assertSame(
            ['https://shop.example/sitemap-1.xml', 'https://shop.example/sitemap-2.xml', 'https://shop.example/sitemap-3.xml'],
            self::named($xml->sitemap),
        );
        self::assertSame(
            [3, null, null, null],
            array_map(Sitemap::partAt(...), [Sitemap::part(3), '/sitemap-0.xml', '/sitemap.xml', "/sitemap-1.xml\n"]),
        );
        self::assertNotNull(ReservedAddresses::reason(Address::parse(Sitemap::part(7))), 'no place takes the address of a part');
    }

    /** @return list<string> */
    private static function named(\SimpleXMLElement $elements): array
    {
        $addresses = [];
        foreach ($elements as $one) {
            $addresses[] = (string) $one->loc;
        }

        return $addresses;
    }
}

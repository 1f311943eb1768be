<?php

declare(strict_types=1);

namespace Lantern\Tests\Interchange;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\SearchListing;
use Lantern\Interchange\Robots;
use Lantern\Interchange\Sitemap;
use PHPUnit\Framework\TestCase;

final class SitemapTest extends TestCase
{
    public function testNamesWhatOpensAndIsListed(): void
    {
        $now = new \DateTimeImmutable('2026-03-01');
        $place = static fn (string $address, Light $light = Light::Open, bool $listed = true, ?Opening $opening = null): Place => new Place($address, PlaceKind::Page, $address, Address::parse($address), light: $light, opening: $opening ?? new Opening(), listing: new SearchListing($listed));
        $xml = simplexml_load_string(Sitemap::of([
            $place('/café & more'), $place('/quiet', Light::Quiet), $place('/closed', Light::Closed), $place('/unlisted', listed: false), $place('/later', opening: new Opening($now->modify('+1 day'))),
        ], $now, 'https://shop.example'));
        self::assertNotFalse($xml);
        $addresses = [];
        foreach ($xml->url as $url) {
            $addresses[] = (string) $url->loc;
        }
        self::assertSame(['https://shop.example/caf%C3%A9%20&%20more', 'https://shop.example/quiet'], $addresses);
        self::assertStringContainsString("Sitemap: https://shop.example/sitemap.xml\n", Robots::of('https://shop.example'));
    }
}

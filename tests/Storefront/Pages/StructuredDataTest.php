<?php

declare(strict_types=1);

namespace Lantern\Tests\Storefront\Pages;

use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Storefront\Pages\StructuredData;
use PHPUnit\Framework\TestCase;

final class StructuredDataTest extends TestCase
{
    public function testAPageSaysWhereItStandsAndWhereItsHeaderLeads(): void
    {
        $said = json_decode(StructuredData::of('https://shop.example', [
            ['title' => 'Front page', 'href' => '/'],
            ['title' => 'Hidden', 'href' => null],
        ], ['title' => 'Marbled', 'href' => '/papers/marbled'], [
            new ResolvedEntry('a', 'Papers', '/papers', 'p', false, []),
            new ResolvedEntry('b', 'Only a heading', null, null, false, []),
            new ResolvedEntry('c', 'The fair', 'https://fair.example/', null, true, []),
        ]), true, flags: \JSON_THROW_ON_ERROR);
        self::assertSame([
            '@context' => 'https://schema.org',
            '@graph' => [
                ['@type' => 'BreadcrumbList', 'itemListElement' => [
                    ['@type' => 'ListItem', 'position' => 1, 'name' => 'Front page', 'item' => 'https://shop.example/'],
                    ['@type' => 'ListItem', 'position' => 2, 'name' => 'Hidden'],
                    ['@type' => 'ListItem', 'position' => 3, 'name' => 'Marbled', 'item' => 'https://shop.example/papers/marbled'],
                ]],
                ['@type' => 'SiteNavigationElement', 'name' => 'Papers', 'url' => 'https://shop.example/papers'],
                ['@type' => 'SiteNavigationElement', 'name' => 'The fair', 'url' => 'https://fair.example/'],
            ],
        ], $said);
    }

    public function testNothingInItEndsTheElementItStandsIn(): void
    {
        $json = StructuredData::of(
            'https://shop.example',
            [],
            null,
            [new ResolvedEntry('a', '</script><script>alert(1)</script> & <!--', '/x', null, false, [])],
        );
        self::assertStringNotContainsString('<', $json);
        self::assertStringContainsString('alert(1)', $json);
        self::assertSame('', StructuredData::of('https://shop.example', [], ['title' => 'x', 'href' => '/x'], []));
    }
}

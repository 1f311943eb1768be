<?php

declare(strict_types=1);

namespace Lantern\Storefront\Pages;

use Lantern\Core\Menu\ResolvedEntry;

/**
 * What a page says to programs: where it stands, and where its header leads, by schema.org's BreadcrumbList and
 * SiteNavigationElement, as JSON-LD 1.1.
 */
final readonly class StructuredData
{
    /**
     * @param string                                          $origin  of the storefront, with its scheme
     * @param list<array{title: string, href: string|null}>   $trail   what stands above the page, outermost first
     * @param array{title: string, href: string}|null         $page    the page itself; null where it is none of the shop's places
     * @param list<ResolvedEntry>                             $entries the first level of the header
     *
     * @return string for a script element of the type application/ld+json; empty where there is nothing to say
     */
    public static function of(string $origin, array $trail, ?array $page, array $entries): string
    {
        $graph = [];
        if ([] !== $trail && null !== $page) {
            $graph[] = ['@type' => 'BreadcrumbList', 'itemListElement' => array_map(
                // What does not open for everybody has no address that a program could follow.
                static fn (array $step, int $n): array => [
                    '@type' => 'ListItem',
                    'position' => $n + 1,
                    'name' => $step['title'],
                ] + (null === $step['href'] ? [] : ['item' => $origin.$step['href']]),
                [...$trail, $page],
                array_keys([...$trail, $page]),
            )];
        }
        foreach ($entries as $entry) {
            if (null !== $entry->href) {
                $graph[] = [
                    '@type' => 'SiteNavigationElement',
                    'name' => $entry->label,
                    'url' => str_starts_with($entry->href, '/') ? $origin.$entry->href : $entry->href,
                ];
            }
        }

        return [] === $graph
            ? ''
            : json_encode(
                ['@context' => 'https://schema.org', '@graph' => $graph],
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_HEX_TAG | \JSON_HEX_AMP,
            );
    }
}

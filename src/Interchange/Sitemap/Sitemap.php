<?php

declare(strict_types=1);

namespace Lantern\Interchange\Sitemap;

use Lantern\Core\Address\Address;

/** The list of addresses that search engines are asked to read (sitemaps.org protocol 0.9): one document, or an index of several. */
final class Sitemap
{
    /** The protocol allows 50,000 in one document, and 50 MB. */
    public const MOST = 20_000;

    private const NAMESPACE = 'http://www.sitemaps.org/schemas/sitemap/0.9';

    /**
     * @param list<Address> $addresses MOST at most
     * @param string        $origin    scheme and domain, without a slash at its end
     */
    public static function of(array $addresses, string $origin): string
    {
        return self::document('urlset', 'url', array_map(static fn (Address $address): string => $origin.$address->encoded(), $addresses));
    }

    /** @param int $parts that stand at the addresses that `part` gives */
    public static function index(int $parts, string $origin): string
    {
        return self::document(
            'sitemapindex',
            'sitemap',
            array_map(static fn (int $part): string => $origin.self::part($part), range(1, $parts)),
        );
    }

    /** @param int $part counted from 1 */
    public static function part(int $part): string
    {
        return "/sitemap-$part.xml";
    }

    /** @return int|null which part is at an address */
    public static function partAt(string $path): ?int
    {
        return 1 === preg_match('~^/sitemap-([1-9]\d{0,4})\.xml$~D', $path, $found) ? (int) $found[1] : null;
    }

    /** @param list<string> $urls */
    private static function document(string $root, string $each, array $urls): string
    {
        $xml = new \XMLWriter();
        $xml->openMemory();
        $xml->startDocument('1.0', 'UTF-8');
        $xml->startElement($root);
        $xml->writeAttribute('xmlns', self::NAMESPACE);
        foreach ($urls as $url) {
            $xml->startElement($each);
            $xml->writeElement('loc', $url);
            $xml->endElement();
        }
        $xml->endElement();
        $xml->endDocument();

        return $xml->outputMemory();
    }
}

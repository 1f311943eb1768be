<?php

declare(strict_types=1);

namespace Lantern\Interchange;

use Lantern\Core\Place\Place;

/** The list of addresses that search engines are asked to read (sitemaps.org protocol 0.9). */
final class Sitemap
{
    /**
     * @param list<Place> $places
     * @param string      $origin scheme and domain, without a slash at its end
     */
    public static function of(array $places, \DateTimeImmutable $moment, string $origin): string
    {
        $xml = new \XMLWriter();
        $xml->openMemory();
        $xml->startDocument('1.0', 'UTF-8');
        $xml->startElement('urlset');
        $xml->writeAttribute('xmlns', 'http://www.sitemaps.org/schemas/sitemap/0.9');
        foreach ($places as $place) {
            if ($place->isInSitemapAt($moment)) {
                $xml->startElement('url');
                $xml->writeElement('loc', $origin.$place->address->encoded());
                $xml->endElement();
            }
        }
        $xml->endElement();
        $xml->endDocument();

        return $xml->outputMemory();
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Interchange\Sitemap;

/** What robots are asked to leave alone (RFC 9309). */
final class Robots
{
    public static function of(string $origin): string
    {
        return "User-agent: *\nDisallow: /-/preview/\nDisallow: /search\n\nSitemap: $origin/sitemap.xml\n";
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Refused;

/** An address on somebody else's web site. Only http and https: anything else could run a script. */
final readonly class OutsideTarget implements Target
{
    public function __construct(public string $url)
    {
        $parts = parse_url($url);
        if (false === $parts || !\in_array(strtolower($parts['scheme'] ?? ''), ['http', 'https'], true)
            || '' === ($parts['host'] ?? '') || isset($parts['user'])
            || 1 === preg_match('/[\x00-\x20\x7F<>"\\\\]/', $url) || \strlen($url) > 2048) {
            throw new Refused('target', 'An outside address begins with https:// or http:// and a domain, such as https://example.org/page. Spaces in it are written %20.');
        }
    }
}

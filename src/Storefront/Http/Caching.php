<?php

declare(strict_types=1);

namespace Lantern\Storefront\Http;

use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Place;
use Lantern\Core\Visitor;

/** Who may keep what the storefront answers (RFC 9111, 5.2.2). */
final class Caching
{
    /** Whether a cache that others share may keep it; what only some may see stays with whoever asked. */
    public static function isForAll(?Place $place, Visitor $visitor): bool
    {
        return !$visitor->signedIn && (null === $place || Audience::Everyone === $place->audience);
    }

    /** Kept, and asked about again each time, since a release may come at any moment. */
    public static function asked(?Place $place, Visitor $visitor): string
    {
        return self::isForAll($place, $visitor) ? 'public, no-cache' : 'private, no-cache';
    }
}

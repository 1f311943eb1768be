<?php

declare(strict_types=1);

namespace Lantern\Reading\Places;

use Lantern\Core\Visitor;

/** What the core says of a place, for the database: conditions on a place p. A test asks both about the same places. */
final class PlaceConditions
{
    /** Opening::isOpenAt(). */
    private const IN_TIME = '(p.opens_on IS NULL OR p.opens_on <= :moment) AND (p.closes_on IS NULL OR p.closes_on > :moment)';
    /** What else than its light keeps a visitor out: its dates and its audience. */
    public const LETS_IN = self::IN_TIME." AND p.audience IN ('everyone', :audience)";
    /** Place::opensFor(). */
    public const OPENS = "p.light <> 'closed' AND ".self::LETS_IN;
    /** Place::isShownTo(). */
    public const SHOWN = "p.light = 'open' AND ".self::LETS_IN;
    /** Asks for the moment alone: what stands in a sitemap is the same for everybody. */
    public const IN_SITEMAP = "p.listed AND p.light <> 'closed' AND p.audience = 'everyone' AND ".self::IN_TIME;

    /** @return array{moment: string, audience: string} what these ask for */
    public static function visitor(Visitor $visitor): array
    {
        return ['moment' => $visitor->moment->format(\DATE_ATOM), 'audience' => $visitor->signedIn ? 'customers' : 'guests'];
    }
}

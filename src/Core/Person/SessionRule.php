<?php

declare(strict_types=1);

namespace Lantern\Core\Person;

/** How long somebody stays signed in (NIST SP 800-63B, 2.2.3: twelve hours in all at the second level). */
final class SessionRule
{
    /** However busy it is, a session ends after so long; and sooner where nobody uses it. In seconds. */
    public const ABSOLUTE = 12 * 3600;
    public const IDLE = 3 * 3600;

    public static function goesOn(\DateTimeImmutable $begun, \DateTimeImmutable $seen, \DateTimeImmutable $now): bool
    {
        return $now->getTimestamp() - $begun->getTimestamp() <= self::ABSOLUTE
            && $now->getTimestamp() - $seen->getTimestamp() <= self::IDLE;
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Redirect;

/** How a redirect answers (RFC 9110, 15.4 and 15.5.11). */
enum RedirectStatus: int
{
    case ForGood = 301;
    case ForNow = 302;
    case ForNowKeepingMethod = 307;
    case ForGoodKeepingMethod = 308;
    case Gone = 410;

    public function isForGood(): bool
    {
        return self::ForGood === $this || self::ForGoodKeepingMethod === $this;
    }

    public function keepsMethod(): bool
    {
        return self::ForNowKeepingMethod === $this || self::ForGoodKeepingMethod === $this;
    }

    /** The one status that stands for two hops, one after the other. */
    public function then(self $next): self
    {
        if (self::Gone === $next) {
            return self::Gone;
        }

        return match ([$this->isForGood() && $next->isForGood(), $this->keepsMethod() && $next->keepsMethod()]) {
            [true, false] => self::ForGood,
            [true, true] => self::ForGoodKeepingMethod,
            [false, false] => self::ForNow,
            [false, true] => self::ForNowKeepingMethod,
        };
    }

    public function words(): string
    {
        return match ($this) {
            self::ForGood => 'for good (301)',
            self::ForNow => 'for now (302)',
            self::ForNowKeepingMethod => 'for now, keeping the method (307)',
            self::ForGoodKeepingMethod => 'for good, keeping the method (308)',
            self::Gone => 'gone (410)',
        };
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core;

/**
 * Moments as people type them and as they are kept: in UTC, to the second, within the years 1 to 9999,
 * which is what databases, calendars and other programs agree on (RFC 3339, 1).
 */
final class Moment
{
    /** A day, or a day with a time of day, with or without an offset (RFC 3339, 5.6). */
    private const WRITTEN = '/^(\d{4})-(\d{2})-(\d{2})(?:[T ](\d{2}):(\d{2})(?::(\d{2})(?:\.\d{1,9})?)?\s?(Z|[+-]\d{2}:?\d{2})?)?$/Di';

    /**
     * A moment that somebody typed. Without an offset it is meant in the time zone of the shop; a day
     * alone means its first moment there.
     *
     * @param string $field that it was typed into
     *
     * @throws Refused where there is no such moment
     */
    public static function parse(string $typed, string $field, \DateTimeZone $zone): \DateTimeImmutable
    {
        $typed = trim($typed);
        if (1 !== preg_match(self::WRITTEN, $typed, $part)) {
            throw new Refused($field, 'A moment is written like 2027-03-31 or 2027-03-31T09:00.');
        }
        if (
            !checkdate((int) $part[2], (int) $part[3], (int) $part[1])
            || (int) ($part[4] ?? 0) > 23
            || (int) ($part[5] ?? 0) > 59
            || (int) ($part[6] ?? 0) > 59
        ) {
            throw new Refused($field, \sprintf('There is no %s. Look at the calendar, and write it like 2027-03-31.', $typed));
        }
        try {
            return self::kept(new \DateTimeImmutable($typed, $zone), $field);
        } catch (\Exception $error) {
            throw $error instanceof Refused ? $error : new Refused($field, 'A moment is written like 2027-03-31 or 2027-03-31T09:00.');
        }
    }

    /** Whether it is a day alone, which may mean its end as well as its beginning. */
    public static function isDay(string $typed): bool
    {
        return 1 === preg_match('/^\d{4}-\d{2}-\d{2}$/D', trim($typed));
    }

    /**
     * The last day of something as it is kept: the moment after it, which is the first of the next day.
     *
     * @throws Refused where there is no such day
     */
    public static function afterDay(string $typed, string $field, \DateTimeZone $zone): \DateTimeImmutable
    {
        return self::kept(self::parse($typed, $field, $zone)->setTimezone($zone)->modify('+1 day midnight'), $field);
    }

    /**
     * The same moment as it is kept.
     *
     * @throws Refused where it lies outside of the years 1 to 9999
     */
    public static function kept(\DateTimeImmutable $moment, string $field): \DateTimeImmutable
    {
        $utc = $moment->setTimezone(new \DateTimeZone('UTC'));
        $year = (int) $utc->format('Y');
        if ($year < 1 || $year > 9999) {
            throw new Refused($field, 'A date lies in the years 1 to 9999. Choose another one, or leave it empty.');
        }

        return $utc->setTime((int) $utc->format('G'), (int) $utc->format('i'), (int) $utc->format('s'));
    }

    public static function same(?\DateTimeImmutable $one, ?\DateTimeImmutable $other): bool
    {
        return null === $one || null === $other ? $one === $other : 0 === ($one <=> $other);
    }

    /** The earlier of two; one that is missing never comes. */
    public static function earlier(?\DateTimeImmutable $one, ?\DateTimeImmutable $other): ?\DateTimeImmutable
    {
        return null === $one || null === $other ? $one ?? $other : min($one, $other);
    }
}

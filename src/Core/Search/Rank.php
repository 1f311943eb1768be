<?php

declare(strict_types=1);

namespace Lantern\Core\Search;

/**
 * Where something stands among what a search found: what was typed before what was forgiven, then titles before tags before
 * descriptions, then what is there before what is sold out. The database has a twin of it.
 */
final class Rank
{
    public const FORGIVEN = 6;
    public const BY_TAGS = 2;
    public const BY_DESCRIPTION = 4;
    public const SOLD_OUT = 1;

    /**
     * @param list<string> $asked       words, as they were typed
     * @param list<string> $title       words of each; all in small letters
     * @param list<string> $tags
     * @param list<string> $description
     *
     * @return int|null the lower, the earlier; null where it is not found
     */
    public static function of(array $asked, array $title, array $tags, array $description, bool $isThere): ?int
    {
        $all = [...$title, ...$tags, ...$description];
        if ([] === $asked || !self::hasAll($asked, $all, true)) {
            return null;
        }
        $by = match (true) {
            self::hasAll($asked, $title, true) => 0,
            self::hasAll($asked, [...$title, ...$tags], true) => self::BY_TAGS,
            default => self::BY_DESCRIPTION,
        };

        return (self::hasAll($asked, $all, false) ? 0 : self::FORGIVEN) + $by + ($isThere ? 0 : self::SOLD_OUT);
    }

    /**
     * @param list<string> $asked
     * @param list<string> $words
     */
    private static function hasAll(array $asked, array $words, bool $forgiving): bool
    {
        foreach ($asked as $one) {
            $has = false;
            foreach ($words as $word) {
                $has = $has || str_starts_with($word, $one) || ($forgiving && Slip::isForgiven($one, $word));
            }
            if (!$has) {
                return false;
            }
        }

        return true;
    }
}

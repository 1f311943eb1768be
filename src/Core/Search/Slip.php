<?php

declare(strict_types=1);

namespace Lantern\Core\Search;

/** One slip of the finger, which a search forgives in a word of five letters and more. The database has a twin of it. */
final class Slip
{
    public const FROM = 5;

    /**
     * Whether what was typed is the word but for a letter too many, one that is missing, another one, or two beside each other that changed
     * places.
     */
    public static function isForgiven(string $typed, string $word): bool
    {
        if (mb_strlen($typed) < self::FROM || $typed === $word) {
            return false;
        }
        $distance = self::distance($typed, $word);

        return 1 === $distance || (2 === $distance && self::changedPlaces($typed, $word));
    }

    /** Letters, not bytes (V. I. Levenshtein, 1966). */
    private static function distance(string $a, string $b): int
    {
        [$a, $b] = [mb_str_split($a), mb_str_split($b)];
        $row = range(0, \count($b));
        foreach ($a as $i => $letter) {
            $above = $row;
            $row = [$i + 1];
            foreach ($b as $j => $other) {
                $row[] = min($above[$j + 1] + 1, $row[$j] + 1, $above[$j] + ($letter === $other ? 0 : 1));
            }
        }

        return $row[\count($b)];
    }

    private static function changedPlaces(string $one, string $other): bool
    {
        [$a, $b] = [mb_str_split($one), mb_str_split($other)];
        if (\count($a) !== \count($b)) {
            return false;
        }
        $differ = array_keys(array_filter($a, static fn (string $letter, int $n): bool => $letter !== $b[$n], \ARRAY_FILTER_USE_BOTH));

        return 2 === \count($differ)
            && 1 === $differ[1] - $differ[0]
            && $a[$differ[0]] === $b[$differ[1]]
            && $a[$differ[1]] === $b[$differ[0]];
    }
}

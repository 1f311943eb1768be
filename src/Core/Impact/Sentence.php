<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** Puts names into sentences. */
final class Sentence
{
    /**
     * "Papers, Boards and Tools", or "Papers, Boards and 7 more".
     *
     * @param list<string> $names
     * @param int          $most  how many are named before the rest is counted
     */
    public static function enumerated(array $names, int $most = \PHP_INT_MAX): string
    {
        if (\count($names) > $most) {
            $names = [...\array_slice($names, 0, $most), \sprintf('%d more', \count($names) - $most)];
        }
        $last = array_pop($names);

        return [] === $names ? (string) $last : implode(', ', $names).' and '.$last;
    }
}

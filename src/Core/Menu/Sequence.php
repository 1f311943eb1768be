<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Lists of siblings, compared. */
final class Sequence
{
    /**
     * The largest part of a list that is in the wished order already; the others are those that moved.
     * Longest increasing subsequence by patience sorting (Fredman 1975), in n log n.
     *
     * @param list<string>              $ids
     * @param array<int|string, int> $rank the wished place of each
     *
     * @return list<string>
     */
    public static function longestInOrder(array $ids, array $rank): array
    {
        $ids = array_values(array_filter($ids, static fn (string $id): bool => isset($rank[$id])));
        /** @var list<int> $ends index of the smallest last element of a run of each length */
        $ends = [];
        $before = [];
        foreach ($ids as $n => $id) {
            [$low, $high] = [0, \count($ends)];
            while ($low < $high) {
                $middle = intdiv($low + $high, 2);
                if ($rank[$ids[$ends[$middle]]] < $rank[$id]) {
                    $low = $middle + 1;
                } else {
                    $high = $middle;
                }
            }
            $before[$n] = $low > 0 ? $ends[$low - 1] : null;
            $ends[$low] = $n;
        }
        $run = [];
        for ($n = [] === $ends ? null : $ends[\count($ends) - 1]; null !== $n; $n = $before[$n]) {
            $run[] = $ids[$n];
        }

        return array_reverse($run);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Finds the moves that make one menu out of another. */
final class Difference
{
    /**
     * A step that leads from one tree to the other exactly: `between($a, $b)->apply($a)` is `$b`. Its work grows with the trees, not with
     * their square.
     */
    public static function between(Tree $from, Tree $to): Rearrange
    {
        return Rearrange::between($from, $to);
    }

    /** @return array<array-key, list<string>> the children of each parent, by its id; empty for the first level */
    public static function childLists(Tree $tree): array
    {
        $lists = ['' => array_column($tree->entries, 'id')];
        foreach ($tree->all() as $entry) {
            $lists[$entry->id] = array_column($entry->children, 'id');
        }

        return $lists;
    }
}

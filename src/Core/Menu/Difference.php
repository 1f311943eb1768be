<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Finds the moves that make one menu out of another. */
final class Difference
{
    /** A step that leads from one tree to the other exactly: `between($a, $b)->apply($a)` is `$b`. */
    public static function between(Tree $from, Tree $to): Together
    {
        $stands = self::stands($to);
        $moves = [];
        foreach ($from->all() as $entry) {
            $later = $to->find($entry->id)?->withChildren([]);
            if (null !== $later && $later != $entry->withChildren([])) {
                $moves[$entry->id] = new Rewrite($later);
            }
        }
        // A line that fills itself takes up levels; where that is new, it has to come after the moves.
        $first = array_filter($moves, static fn (Rewrite $move): bool => null === $move->entry->filling);
        $last = array_diff_key($moves, $first);

        $away = [];
        foreach (self::childLists($from) as $parentId => $ids) {
            $here = array_values(array_filter($ids, static fn (string $id): bool => isset($stands[$id]) && $stands[$id] === (string) $parentId));
            $order = array_flip(self::childLists($to)[$parentId] ?? []);
            $staying = array_flip(Sequence::longestInOrder($here, $order));
            foreach ($ids as $id) {
                if (!isset($staying[$id])) {
                    $away[] = $id;
                }
            }
        }
        $working = array_reduce($first, static fn (Tree $at, Move $move): Tree => $move->apply($at), $from);
        $steps = array_values($first);
        foreach ($working->topmost($away) as $id) {
            $steps[] = new Remove($id);
        }
        // What went away within something that went away too is gone from there with it.
        $gone = [];
        foreach ($working->topmost($away) as $id) {
            $gone += array_flip($working->get($id)->ids());
        }
        self::insertMissing($to->entries, null, $from, $gone, $steps);

        return new Together([...$steps, ...array_values(array_filter($last, static fn (Rewrite $move): bool => !isset($gone[$move->entry->id])))]);
    }

    /**
     * @param list<Entry>               $entries
     * @param array<string, int|string> $gone  ids that were taken out before
     * @param list<Move>                $steps
     */
    private static function insertMissing(array $entries, ?string $parentId, Tree $from, array $gone, array &$steps): void
    {
        foreach ($entries as $index => $entry) {
            if (isset($gone[$entry->id]) || null === $from->find($entry->id)) {
                $steps[] = new Insert($entry, new Position($parentId, $index));
            } else {
                self::insertMissing($entry->children, $entry->id, $from, $gone, $steps);
            }
        }
    }

    /** @return array<string, string> the parent of each entry; empty for the first level */
    private static function stands(Tree $tree): array
    {
        $stands = [];
        foreach (self::childLists($tree) as $parentId => $ids) {
            foreach ($ids as $id) {
                $stands[$id] = (string) $parentId;
            }
        }

        return $stands;
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

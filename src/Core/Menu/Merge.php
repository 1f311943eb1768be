<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Refused;

/**
 * Puts two people's edits of one menu together: a three-way merge over trees. "Theirs" is what stands
 * by now, "mine" what the later person made of the same beginning. Edits to different entries, and to
 * different properties of one, both hold. Where both want something else of the same thing, theirs
 * stands and mine is kept as a conflict; and what one took out while the other worked on it stays.
 */
final class Merge
{
    /** @var array<string, string> id to id of its parent; '' is the first level */
    private array $parents = [];
    /** @var array<string, Entry> without children */
    private array $entries = [];
    /** @var array<string, Conflict> */
    private array $conflicts = [];

    private function __construct(
        private readonly FlatTree $base,
        private readonly FlatTree $theirs,
        private readonly FlatTree $mine,
        private readonly Tree $like,
    ) {
    }

    /** @throws Refused where both together cannot be; never for plain menus */
    public static function of(Tree $base, Tree $theirs, Tree $mine): Merged
    {
        return (new self(new FlatTree($base), new FlatTree($theirs), new FlatTree($mine), $theirs))->merged();
    }

    private function merged(): Merged
    {
        $kept = [];
        foreach ($this->theirs->entries + $this->mine->entries as $id => $entry) {
            $inBase = isset($this->base->entries[$id]);
            $kept[$id] = !$inBase || (isset($this->theirs->entries[$id], $this->mine->entries[$id]));
        }
        $this->keepWhatTheOtherWorkedOn($kept, $this->theirs, $this->mine, mine: true);
        $this->keepWhatTheOtherWorkedOn($kept, $this->mine, $this->theirs, mine: false);
        foreach (array_keys(array_filter($kept)) as $id) {
            $this->entries[$id] = $this->entry($id);
            $this->parents[$id] = $this->parent($id, $kept);
        }
        $this->breakCircles();
        $lists = array_fill_keys(['', ...array_keys($this->entries)], []);
        foreach ($this->parents as $id => $parentId) {
            $lists[$parentId][] = $id;
        }
        foreach ($lists as $parentId => $here) {
            $lists[$parentId] = $this->inOrder((string) $parentId, $here);
        }
        if (null !== $this->like->shape) {
            return $this->inShape($lists);
        }
        $this->raiseWhatIsTooDeep($lists);

        return new Merged(new Tree($this->build('', $lists)), array_values($this->conflicts));
    }

    /**
     * @param array<array-key, list<string>> $lists
     *
     * @throws Refused where each side's moves fit by themselves and both together do not: then theirs stand
     */
    private function inShape(array $lists): Merged
    {
        try {
            return new Merged($this->like->with($this->build('', $lists)), array_values($this->conflicts));
        } catch (Refused $problem) {
            throw new Refused(
                $problem->field,
                'Somebody else has changed this meanwhile, and both together cannot be. '.$problem->getMessage(),
                $problem,
            );
        }
    }

    /**
     * What one side took out stays, with all that went with it, where the other side edited, moved or
     * added something in it.
     *
     * @param array<string, bool> $kept
     * @param bool                $mine whether it was mine that took it out
     */
    private function keepWhatTheOtherWorkedOn(array &$kept, FlatTree $worked, FlatTree $removed, bool $mine): void
    {
        foreach ($worked->entries as $id => $entry) {
            $isGone = isset($this->base->entries[$id]) && !isset($removed->entries[$id]);
            $aboveIsGone = isset($this->base->entries[$worked->parents[$id]]) && !isset($removed->entries[$worked->parents[$id]]);
            if (!$isGone || $aboveIsGone) {
                continue;
            }
            $within = $worked->within($id);
            if ([] === array_filter($within, fn (string $one): bool => $this->needsItsParent($one, $worked, $removed))) {
                continue;
            }
            foreach ($within as $one) {
                $kept[$one] = true;
            }
            $this->conflict($id, new Remove($id), $mine);
        }
    }

    private function needsItsParent(string $id, FlatTree $worked, FlatTree $removed): bool
    {
        return $worked->parents[$id] !== ($this->base->parents[$id] ?? null)
            || (!isset($removed->entries[$id]) && !$worked->entries[$id]->isSameLine($this->base->entries[$id]));
    }

    private function entry(string $id): Entry
    {
        $theirs = $this->theirs->entries[$id] ?? null;
        $mine = $this->mine->entries[$id] ?? null;
        $base = $this->base->entries[$id] ?? null;
        if (null === $theirs || null === $mine || null === $base) {
            return $theirs ?? $mine ?? throw new \LogicException("$id is in neither tree.");
        }
        $disagree = false;
        $pick = static function (EntryPart $part) use ($base, $theirs, $mine, &$disagree): Entry {
            if ($part->isSame($mine, $base) || $part->isSame($mine, $theirs)) {
                return $theirs;
            }
            $theyDid = !$part->isSame($theirs, $base);
            $disagree = $disagree || $theyDid;

            return $theyDid ? $theirs : $mine;
        };
        try {
            $together = EntryPart::together($id, $pick);
        } catch (Refused) {
            // Each is possible, both together are not, such as no label of its own and no place to take one from.
            $this->conflict($id, new Rewrite($mine), true);

            return $theirs;
        }
        if ($disagree) {
            $wish = static fn (EntryPart $part): Entry => $part->isSame($mine, $base) ? $theirs : $mine;
            try {
                $this->conflict($id, new Rewrite(EntryPart::together($id, $wish)), true);
            } catch (Refused) {
                $this->conflict($id, new Rewrite($mine), true);
            }
        }

        return $together;
    }

    /** @param array<string, bool> $kept */
    private function parent(string $id, array $kept): string
    {
        $base = $this->base->parents[$id] ?? null;
        $theirs = $this->theirs->parents[$id] ?? null;
        $mine = $this->mine->parents[$id] ?? null;
        if (null !== $theirs && null !== $mine && $mine !== $base && $theirs !== $base && $mine !== $theirs) {
            $this->conflict($id, new Relocate($id, $this->mine->position($id)), true);
        }
        $parent = match (true) {
            null === $theirs => $mine,
            null === $mine => $theirs,
            default => $theirs === $base ? $mine : $theirs,
        } ?? '';

        return '' === $parent || ($kept[$parent] ?? false) ? $parent : '';
    }

    /** One put A under B, the other B under A: then mine goes back to where theirs has it. */
    private function breakCircles(): void
    {
        foreach (array_keys($this->parents) as $id) {
            $seen = [];
            for ($at = $id; '' !== $at; $at = $this->parents[$at]) {
                if (!isset($seen[$at])) {
                    $seen[$at] = true;
                    continue;
                }
                foreach (array_keys($seen) as $one) {
                    $theirs = $this->theirs->parents[$one] ?? '';
                    $theirs = $this->isThere($theirs) ? $theirs : '';
                    if ($theirs !== $this->parents[$one]) {
                        $this->parents[$one] = $theirs;
                        $this->conflict($one, new Relocate($one, $this->mine->position($one)), true);
                    }
                }
                break;
            }
        }
    }

    /**
     * @param list<string> $here
     *
     * @return list<string> the children of a parent in an order that has both people's moves
     */
    private function inOrder(string $parentId, array $here): array
    {
        $isHere = array_flip($here);
        $order = static fn (FlatTree $stands): array => array_values(array_filter(
            $stands->lists[$parentId] ?? [],
            static fn (string $id): bool => isset($isHere[$id]),
        ));
        [$theirs, $mine, $base] = [$order($this->theirs), $order($this->mine), $order($this->base)];
        $iMoved = self::moved($base, $mine);
        $theyMoved = self::moved($base, $theirs);
        $pending = array_flip(array_diff([...$iMoved, ...array_diff($mine, $theirs)], $theyMoved));
        $list = array_values(array_filter($theirs, static fn (string $id): bool => !isset($pending[$id])));
        $list = self::wovenIn($list, $mine, $pending);
        $before = static function (array $ids): array {
            /** @var list<string> $ids */
            $before = [];
            foreach ($ids as $n => $id) {
                $before[$id] = $ids[$n - 1] ?? '';
            }

            return $before;
        };
        [$beforeMine, $beforeTheirs] = [$before($mine), $before($theirs)];
        foreach (array_intersect($iMoved, $theyMoved) as $id) {
            if ($beforeMine[$id] !== $beforeTheirs[$id]) {
                $this->conflict($id, new Relocate($id, $this->mine->position($id)), true);
            }
        }

        // What was brought back by one side only, into a place that the other has rearranged.
        return [...$list, ...array_values(array_diff($here, $list))];
    }

    /**
     * @param list<string> $base
     * @param list<string> $now
     *
     * @return list<string> what changed its stand among its siblings
     */
    private static function moved(array $base, array $now): array
    {
        $now = array_values(array_intersect($now, $base));

        return array_values(array_diff($now, Sequence::longestInOrder($now, array_flip($base))));
    }

    /**
     * Puts into a list what comes from another, each after what stands before it there. Each line knows the next, so that
     * none has to be looked for.
     *
     * @param list<string>             $list
     * @param list<string>             $other
     * @param array<string, int|string> $pending ids that are not in the list, as keys
     *
     * @return list<string>
     */
    private static function wovenIn(array $list, array $other, array $pending): array
    {
        $next = [];
        $last = '';
        foreach ($list as $id) {
            $next[$last] = $id;
            $last = $id;
        }
        $next[$last] = null;
        $after = '';
        foreach ($other as $id) {
            if (isset($pending[$id]) && !\array_key_exists($id, $next)) {
                $next[$id] = $next[$after];
                $next[$after] = $id;
            }
            if (\array_key_exists($id, $next)) {
                $after = $id;
            }
        }
        $woven = [];
        for ($id = $next['']; null !== $id; $id = $next[$id]) {
            $woven[] = $id;
        }

        return $woven;
    }

    /**
     * @param list<string> $list
     * @param list<string> $before what stands before it in its own list
     *
     * @return list<string>
     */
    private static function insertedAfter(array $list, string $id, array $before): array
    {
        foreach (array_reverse($before) as $one) {
            $at = array_search($one, $list, true);
            if (false !== $at) {
                array_splice($list, $at + 1, 0, [$id]);

                return $list;
            }
        }

        return [$id, ...$list];
    }

    /**
     * Two moves that are possible each can reach a fourth level together. Then mine goes back to where
     * theirs has it; what is only mine stands further out.
     *
     * @param array<array-key, list<string>> $lists
     */
    private function raiseWhatIsTooDeep(array &$lists): void
    {
        // Each goes back at most once; after that entries only move further out, so this comes to an end.
        $back = [];
        while (null !== $path = $this->tooDeep('', $lists, [])) {
            $culprit = array_values(array_filter(
                $path,
                fn (string $id): bool => !isset($back[$id]) && ($this->theirs->parents[$id] ?? null) !== $this->parents[$id],
            ))[0]
                ?? null;
            $last = $path[\count($path) - 1];
            $theirs = $this->theirs->entries[$last] ?? null;
            if (null === $culprit && null !== $theirs && !$theirs->isSameLine($this->entries[$last])) {
                $this->conflict($last, new Rewrite($this->entries[$last]), true);
                $this->entries[$last] = $theirs;
                continue;
            }
            $from = $this->parents[$culprit ?? $last];
            $to = $this->parents[$from] ?? '';
            if (null !== $culprit) {
                $back[$culprit] = true;
                $home = $this->theirs->parents[$culprit] ?? $to;
                $to = $home === $from || !$this->isThere($home) || $this->isWithin($home, $culprit) ? $to : $home;
            }
            $culprit ??= $last;
            if (isset($this->mine->parents[$culprit])) {
                $this->conflict($culprit, new Relocate($culprit, $this->mine->position($culprit)), true);
            }
            $lists[$from] = array_values(array_diff($lists[$from], [$culprit]));
            $lists[$to] = self::insertedAfter(
                $lists[$to],
                $culprit,
                [
                    ...\array_slice(
                        $this->theirs->lists[$to] ?? [],
                        0,
                        (int) array_search($culprit, $this->theirs->lists[$to] ?? [], true),
                    ),
                    ...($to === ($this->parents[$from] ?? '') ? [$from] : []),
                ],
            );
            $this->parents[$culprit] = $to;
        }
    }

    private function isThere(string $parentId): bool
    {
        return '' === $parentId || isset($this->entries[$parentId]);
    }

    private function isWithin(string $id, string $ancestor): bool
    {
        for (; '' !== $id; $id = $this->parents[$id]) {
            if ($id === $ancestor) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array<array-key, list<string>> $lists
     * @param list<string>                   $above
     *
     * @return non-empty-list<string>|null the entries from the first level down to one that is too deep
     */
    private function tooDeep(string $parentId, array $lists, array $above): ?array
    {
        foreach ($lists[$parentId] as $id) {
            $path = [...$above, $id];
            if (\count($path) + ($this->entries[$id]->filling->depth ?? 0) > Tree::MAX_DEPTH) {
                return $path;
            }
            $deeper = $this->tooDeep($id, $lists, $path);
            if (null !== $deeper) {
                return $deeper;
            }
        }

        return null;
    }

    /**
     * @param array<array-key, list<string>> $lists
     *
     * @return list<Entry>
     */
    private function build(string $parentId, array $lists): array
    {
        return array_map(fn (string $id): Entry => $this->entries[$id]->withChildren($this->build($id, $lists)), $lists[$parentId]);
    }

    private function conflict(string $id, Move $otherwise, bool $mine): void
    {
        // One choice for one entry; that it was taken out weighs more than how it was changed.
        $this->conflicts[$id] ??= new Conflict($id, $otherwise, $mine);
    }
}

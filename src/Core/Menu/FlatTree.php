<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** A tree laid out flat: each entry by itself, with its parent and the order below each parent. */
final readonly class FlatTree
{
    /** @var array<string, Entry> without children, by id */
    public array $entries;
    /** @var array<string, string> parent by id; '' is the first level */
    public array $parents;
    /** @var array<array-key, list<string>> children by parent */
    public array $lists;

    public function __construct(Tree $tree)
    {
        $entries = $parents = [];
        foreach ($tree->all() as $entry) {
            $entries[$entry->id] = $entry->withChildren([]);
        }
        $this->entries = $entries;
        $this->lists = Difference::childLists($tree);
        foreach ($this->lists as $parentId => $ids) {
            foreach ($ids as $id) {
                $parents[$id] = (string) $parentId;
            }
        }
        $this->parents = $parents;
    }

    public function position(string $id): Position
    {
        $parentId = $this->parents[$id];

        return new Position('' === $parentId ? null : $parentId, (int) array_search($id, $this->lists[$parentId], true));
    }

    /** @return list<string> the entry and all below it */
    public function within(string $id): array
    {
        return [$id, ...array_merge([], ...array_map($this->within(...), $this->lists[$id] ?? []))];
    }
}

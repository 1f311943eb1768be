<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Refused;

/**
 * The entries of a menu. A tree never changes: a move makes another one, and what the move does not
 * touch is shared by both.
 */
final readonly class Tree
{
    /** A dropdown deeper than this cannot be walked by a visitor without losing the way. */
    public const MAX_DEPTH = 3;

    /**
     * @param list<Entry> $entries the first level
     * @param Shape|null  $shape   what may stand where; null: a plain menu, of links only
     */
    public function __construct(public array $entries = [], public ?Shape $shape = null)
    {
    }

    /**
     * A tree of the same shape.
     *
     * @param list<Entry> $entries
     *
     * @throws Refused where they do not fit into it
     */
    public function with(array $entries): self
    {
        $this->shape?->check($entries);

        return new self($entries, $this->shape);
    }

    public function maxDepth(): int
    {
        return $this->shape?->maxDepth() ?? self::MAX_DEPTH;
    }

    public function equals(self $other): bool
    {
        return (new Entry('', new Heading(), '-', $this->entries))->equals(new Entry('', new Heading(), '-', $other->entries));
    }

    public function find(string $id): ?Entry
    {
        return $this->findIn($this->entries, $id);
    }

    public function get(string $id): Entry
    {
        return $this->find($id)
            ?? throw new Refused('entry', 'This entry is no longer in the menu. Somebody may have removed it; reload the menu.');
    }

    /** @return list<Entry> */
    public function childrenOf(?string $parentId): array
    {
        return null === $parentId ? $this->entries : $this->get($parentId)->children;
    }

    /** @return list<Entry> the entries above this one, the first level first; empty for an entry of the first level */
    public function above(string $id): array
    {
        return $this->pathTo($this->entries, $id) ?? throw new Refused('entry', 'This entry is no longer in the menu.');
    }

    public function level(string $id): int
    {
        return \count($this->above($id)) + 1;
    }

    public function positionOf(string $id): Position
    {
        $above = $this->above($id);
        $parent = [] === $above ? null : $above[\count($above) - 1];
        foreach ($parent->children ?? $this->entries as $index => $sibling) {
            if ($sibling->id === $id) {
                return new Position($parent?->id, $index);
            }
        }
        throw new \LogicException("No child $id below its own parent.");
    }

    /**
     * The same tree with other children below one parent.
     *
     * @param list<Entry> $children
     */
    public function withChildrenOf(?string $parentId, array $children): self
    {
        if (null === $parentId) {
            return $this->with($children);
        }

        return $this->replacing($parentId, $this->get($parentId)->withChildren($children));
    }

    public function replacing(string $id, Entry $entry): self
    {
        $before = $this->get($id);
        $this->refuseForeign($entry);
        if (null === $this->shape && $entry->height() > $before->height() && $this->level($id) + $entry->height() - 1 > self::MAX_DEPTH) {
            throw new Refused(
                'filling',
                \sprintf(
                    'A menu has at most %d levels, and what fills this line would stand on level %d. Put the line one level further out '
                        .'first.',
                    self::MAX_DEPTH,
                    $this->level($id) + $entry->height() - 1,
                ),
            );
        }

        return $this->with($this->replacedIn($this->entries, $id, $entry));
    }

    /** @throws Refused where the entry would stand, or reach, deeper than a menu goes */
    public function inserted(Entry $entry, Position $at): self
    {
        $this->refuseForeign($entry);
        $level = null === $at->parentId ? 1 : $this->level($at->parentId) + 1;
        if (null === $this->shape && $level + $entry->height() - 1 > self::MAX_DEPTH) {
            throw new Refused(
                'parent',
                \sprintf(
                    'A menu has at most %d levels, and this would make a level %d. Put it one level further out, or leave its children '
                        .'behind.',
                    self::MAX_DEPTH,
                    $level + $entry->height() - 1,
                ),
            );
        }
        $siblings = $this->childrenOf($at->parentId);
        array_splice($siblings, max(0, min($at->index, \count($siblings))), 0, [$entry]);

        return $this->withChildrenOf($at->parentId, $siblings);
    }

    public function without(string $id): self
    {
        $at = $this->positionOf($id);
        $siblings = $this->childrenOf($at->parentId);
        array_splice($siblings, $at->index, 1);

        return $this->withChildrenOf($at->parentId, $siblings);
    }

    /** @return iterable<Entry> every entry, each before its children */
    public function all(): iterable
    {
        return $this->walk($this->entries);
    }

    /** @return list<string> ids of all places that entries and their fillings refer to */
    public function placeIds(): array
    {
        $ids = [];
        foreach ($this->all() as $entry) {
            $ids = [...$ids, ...$entry->target instanceof PlaceTarget ? $entry->target->placeIds() : []];
            if (null !== $entry->filling) {
                $ids = [...$ids, $entry->filling->placeId, ...array_keys($entry->filling->labels), ...$entry->filling->leftOut];
            }
        }

        return array_values(array_unique(array_filter($ids, \is_string(...))));
    }

    /**
     * The entries among these that stand below none of the others, in the order of the menu.
     *
     * @param list<string> $ids
     *
     * @return list<string>
     */
    public function topmost(array $ids): array
    {
        $wanted = array_fill_keys($ids, true);
        $found = [];
        $collect = static function (array $entries) use (&$collect, &$found, $wanted): void {
            /** @var list<Entry> $entries */
            foreach ($entries as $entry) {
                if (isset($wanted[$entry->id])) {
                    $found[] = $entry->id;
                } else {
                    $collect($entry->children);
                }
            }
        };
        $collect($this->entries);

        return $found;
    }

    /** A plain menu holds links; what is laid out holds what its shape says. */
    public function refuseForeign(Entry $entry): void
    {
        if (
            null === $this->shape
            && (null !== $entry->content || [] !== array_filter(
                $entry->children,
                static fn (Entry $child): bool => null !== $child->content,
            ))
        ) {
            throw new Refused('entry', 'Only links stand in a menu. Pieces go into pages and wide panels.');
        }
    }

    public function size(): int
    {
        return iterator_count($this->walk($this->entries));
    }

    /**
     * @param list<Entry> $entries
     *
     * @return \Generator<int, Entry>
     */
    private function walk(array $entries): \Generator
    {
        foreach ($entries as $entry) {
            yield $entry;
            foreach ($this->walk($entry->children) as $below) {
                yield $below;
            }
        }
    }

    /** @param list<Entry> $entries */
    private function findIn(array $entries, string $id): ?Entry
    {
        foreach ($entries as $entry) {
            $found = $entry->id === $id ? $entry : $this->findIn($entry->children, $id);
            if (null !== $found) {
                return $found;
            }
        }

        return null;
    }

    /**
     * @param list<Entry> $entries
     *
     * @return list<Entry>|null null where the entry is not below these
     */
    private function pathTo(array $entries, string $id): ?array
    {
        foreach ($entries as $entry) {
            if ($entry->id === $id) {
                return [];
            }
            $below = $this->pathTo($entry->children, $id);
            if (null !== $below) {
                return [$entry, ...$below];
            }
        }

        return null;
    }

    /**
     * @param list<Entry> $entries
     *
     * @return list<Entry>
     */
    private function replacedIn(array $entries, string $id, Entry $by): array
    {
        foreach ($entries as $index => $entry) {
            if ($entry->id === $id) {
                $entries[$index] = $by;

                return array_values($entries);
            }
            $children = $this->replacedIn($entry->children, $id, $by);
            if ($children !== $entry->children) {
                $entries[$index] = $entry->withChildren($children);

                return array_values($entries);
            }
        }

        return $entries;
    }
}

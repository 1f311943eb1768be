<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Refused;

/**
 * Makes one menu out of another in one pass, however much differs: which lines are new or other ones, which are gone, and
 * what stands below each parent whose children differ.
 */
final readonly class Rearrange implements Move
{
    /**
     * @param array<string, Entry>           $lines new ones, and those that become others, without children, by id
     * @param list<string>                   $gone  ids; what stands below one of them stands elsewhere, or is gone too
     * @param array<array-key, list<string>> $lists the children of a parent, in order, by its id; empty for the first level
     */
    public function __construct(public array $lines, public array $gone, public array $lists)
    {
    }

    public static function between(Tree $from, Tree $to): self
    {
        $was = self::byId($from);
        $is = self::byId($to);
        $lines = [];
        foreach ($is as $id => $entry) {
            if (!isset($was[$id]) || $was[$id] !== $entry && !$was[$id]->isSameLine($entry)) {
                $lines[$id] = $entry->withChildren([]);
            }
        }
        $before = Difference::childLists($from);
        $lists = array_filter(
            Difference::childLists($to),
            static fn (array $ids, int|string $parentId): bool => ($before[$parentId] ?? []) !== $ids,
            \ARRAY_FILTER_USE_BOTH,
        );

        return new self($lines, array_values(array_map(strval(...), array_keys(array_diff_key($was, $is)))), $lists);
    }

    /** Whether it leaves every menu as it is. */
    public function isNothing(): bool
    {
        return [] === $this->lines && [] === $this->gone && [] === $this->lists;
    }

    public function apply(Tree $tree): Tree
    {
        $was = self::byId($tree);
        foreach ($this->gone as $id) {
            if (!isset($was[$id])) {
                throw self::noLongerThere();
            }
        }
        $entries = array_diff_key($this->lines + $was, array_flip($this->gone));
        $lists = array_intersect_key($this->lists + Difference::childLists($tree), $entries + ['' => true]);
        // Where an entry stands is said by what was rearranged, and only then by where it stood.
        $stands = [];
        foreach ([array_intersect_key($lists, $this->lists), array_diff_key($lists, $this->lists)] as $some) {
            foreach ($some as $parentId => $ids) {
                $lists[$parentId] = [];
                foreach ($ids as $id) {
                    if (!isset($stands[$id]) && isset($entries[$id])) {
                        $stands[$id] = true;
                        $lists[$parentId][] = $id;
                    } elseif (!isset($entries[$id]) && isset($this->lists[$parentId])) {
                        throw self::noLongerThere();
                    }
                }
            }
        }
        foreach (array_keys(array_diff_key($entries, $stands)) as $id) {
            // What somebody else has put there meanwhile stays in the menu.
            $lists[''][] = (string) $id;
        }
        $placed = 0;
        foreach ($this->lines as $line) {
            $tree->refuseForeign($line);
        }
        $made = $tree->with($this->build('', 1, $tree->maxDepth(), $entries, $lists, $placed));
        if ($placed !== \count($entries)) {
            throw new Refused('parent', 'An entry cannot stand under itself. Choose a line outside of it.');
        }

        return $made;
    }

    public function inverse(Tree $before): Move
    {
        return self::between($this->apply($before), $before);
    }

    /**
     * @param int                            $most    levels that there can be
     * @param array<string, Entry>           $entries
     * @param array<array-key, list<string>> $lists
     *
     * @return list<Entry>
     */
    private function build(string $parentId, int $level, int $most, array $entries, array $lists, int &$placed): array
    {
        $built = [];
        foreach ($lists[$parentId] ?? [] as $id) {
            $entry = $entries[$id];
            if ($level + ($entry->filling->depth ?? 0) > $most) {
                throw new Refused(
                    'parent',
                    \sprintf(
                        'A menu has at most %d levels, and this would make a level %d. Put it one level further out, or leave its children '
                            .'behind.',
                        $most,
                        $level + ($entry->filling->depth ?? 0),
                    ),
                );
            }
            ++$placed;
            $children = $this->build($id, $level + 1, $most, $entries, $lists, $placed);
            $built[] = $children === $entry->children ? $entry : $entry->withChildren($children);
        }

        return $built;
    }

    /** @return array<string, Entry> */
    private static function byId(Tree $tree): array
    {
        $entries = [];
        foreach ($tree->all() as $entry) {
            $entries[$entry->id] = $entry;
        }

        return $entries;
    }

    private static function noLongerThere(): Refused
    {
        return new Refused('entry', 'This entry is no longer in the menu. Somebody may have removed it; reload the menu.');
    }
}

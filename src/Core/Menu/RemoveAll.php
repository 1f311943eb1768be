<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Takes several entries out; what stands below them goes along, or takes their stand. */
final readonly class RemoveAll implements Move
{
    /** @param list<string> $entryIds */
    public function __construct(public array $entryIds, public bool $childrenStay = false)
    {
    }

    public function apply(Tree $tree): Tree
    {
        return $tree->with($this->without($tree->entries, array_flip($this->entryIds)));
    }

    public function inverse(Tree $before): Move
    {
        return Difference::between($this->apply($before), $before);
    }

    /**
     * @param list<Entry>        $entries
     * @param array<string, int> $gone
     *
     * @return list<Entry>
     */
    private function without(array $entries, array $gone): array
    {
        $kept = [];
        foreach ($entries as $entry) {
            $isGone = isset($gone[$entry->id]);
            if ($isGone && !$this->childrenStay) {
                continue;
            }
            $children = $this->without($entry->children, $gone);
            if ($isGone) {
                array_push($kept, ...$children);
            } else {
                $kept[] = $children === $entry->children ? $entry : $entry->withChildren($children);
            }
        }

        return $kept;
    }
}

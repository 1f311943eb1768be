<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Refused;

/** Moves several entries to one position, where they stand one after the other in the order of the menu. */
final readonly class RelocateAll implements Move
{
    /**
     * @param list<string> $entryIds what stands below one of them comes along and need not be named
     * @param Position     $to       its index counts without the entries themselves
     */
    public function __construct(public array $entryIds, public Position $to)
    {
    }

    public function apply(Tree $tree): Tree
    {
        $taken = array_map($tree->get(...), $tree->topmost($this->entryIds));
        $without = (new RemoveAll($this->entryIds))->apply($tree);
        if (null !== $this->to->parentId && null === $without->find($this->to->parentId) && null !== $tree->find($this->to->parentId)) {
            throw new Refused('parent', 'An entry cannot stand under itself. Choose a line outside of those you move.');
        }
        foreach ($taken as $n => $entry) {
            $without = $without->inserted($entry, new Position($this->to->parentId, $this->to->index + $n));
        }

        return $without;
    }

    public function inverse(Tree $before): Move
    {
        return Difference::between($this->apply($before), $before);
    }
}

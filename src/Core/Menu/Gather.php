<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Puts an entry in and takes the next ones, as many as said, below it. The inverse of `Lift`. */
final readonly class Gather implements Move
{
    public function __construct(public Entry $entry, public Position $at, public int $count)
    {
    }

    public function apply(Tree $tree): Tree
    {
        $siblings = $tree->childrenOf($this->at->parentId);
        $gathered = array_splice($siblings, $this->at->index, $this->count);

        return $tree->withChildrenOf($this->at->parentId, $siblings)
            ->inserted($this->entry->withChildren($gathered), $this->at);
    }

    public function inverse(Tree $before): Move
    {
        return new Lift($this->entry->id);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Takes an entry out and lets its children take its stand, one level further out. */
final readonly class Lift implements Move
{
    public function __construct(public string $entryId)
    {
    }

    public function apply(Tree $tree): Tree
    {
        $entry = $tree->get($this->entryId);
        $at = $tree->positionOf($this->entryId);
        $siblings = $tree->childrenOf($at->parentId);
        array_splice($siblings, $at->index, 1, $entry->children);

        return $tree->withChildrenOf($at->parentId, $siblings);
    }

    public function inverse(Tree $before): Move
    {
        $entry = $before->get($this->entryId);

        return new Gather($entry->withChildren([]), $before->positionOf($this->entryId), \count($entry->children));
    }
}

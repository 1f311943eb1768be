<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Gives an entry another label, target, audience and so on; what stands below it stays. */
final readonly class Rewrite implements Move
{
    public function __construct(public Entry $entry)
    {
    }

    public function apply(Tree $tree): Tree
    {
        $before = $tree->get($this->entry->id);

        return $tree->replacing($this->entry->id, $this->entry->withChildren($before->children));
    }

    public function inverse(Tree $before): Move
    {
        return new self($before->get($this->entry->id)->withChildren([]));
    }
}

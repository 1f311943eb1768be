<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Refused;

/** Puts an entry, with all below it, into the tree. */
final readonly class Insert implements Move
{
    public function __construct(public Entry $entry, public Position $at)
    {
    }

    public function apply(Tree $tree): Tree
    {
        foreach ($this->entry->ids() as $id) {
            if (null !== $tree->find($id)) {
                throw new Refused('entry', 'This entry is in the menu already.');
            }
        }

        return $tree->inserted($this->entry, $this->at);
    }

    public function inverse(Tree $before): Move
    {
        return new Remove($this->entry->id);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Refused;

/** Moves an entry, with all below it, to any position. The index counts without the entry itself. */
final readonly class Relocate implements Move
{
    public function __construct(public string $entryId, public Position $to)
    {
    }

    /** One line up among its siblings. */
    public static function up(Tree $tree, string $id): self
    {
        $at = $tree->positionOf($id);
        if (0 === $at->index) {
            throw new Refused('entry', 'This entry is the first below its parent already. Move it out to go further up.');
        }

        return new self($id, new Position($at->parentId, $at->index - 1));
    }

    /** One line down among its siblings. */
    public static function down(Tree $tree, string $id): self
    {
        $at = $tree->positionOf($id);
        if ($at->index === \count($tree->childrenOf($at->parentId)) - 1) {
            throw new Refused('entry', 'This entry is the last below its parent already. Move it out to go further down.');
        }

        return new self($id, new Position($at->parentId, $at->index + 1));
    }

    /** One level in: it becomes the last child of the entry before it. */
    public static function in(Tree $tree, string $id): self
    {
        $at = $tree->positionOf($id);
        if (0 === $at->index) {
            throw new Refused('entry', 'There is no entry before this one to put it under.');
        }
        $before = $tree->childrenOf($at->parentId)[$at->index - 1]
            ?? throw new \LogicException('No entry before one that is not the first.');

        return new self($id, new Position($before->id, \count($before->children)));
    }

    /** One level out: it follows what was its parent. */
    public static function out(Tree $tree, string $id): self
    {
        $at = $tree->positionOf($id);
        if (null === $at->parentId) {
            throw new Refused('entry', 'This entry stands on the first level already.');
        }
        $parent = $tree->positionOf($at->parentId);

        return new self($id, new Position($parent->parentId, $parent->index + 1));
    }

    public function apply(Tree $tree): Tree
    {
        $entry = $tree->get($this->entryId);
        if (null !== $this->to->parentId && \in_array($this->to->parentId, $entry->ids(), true)) {
            throw new Refused('parent', 'An entry cannot stand under itself. Choose a line outside of it.');
        }

        return $tree->without($this->entryId)->inserted($entry, $this->to);
    }

    public function inverse(Tree $before): Move
    {
        return new self($this->entryId, $before->positionOf($this->entryId));
    }
}

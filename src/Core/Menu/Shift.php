<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Moves an entry one step in a direction, from wherever it stands. */
final readonly class Shift implements Move
{
    public function __construct(public string $entryId, public Direction $direction)
    {
    }

    public function apply(Tree $tree): Tree
    {
        return $this->relocation($tree)->apply($tree);
    }

    public function inverse(Tree $before): Move
    {
        return $this->relocation($before)->inverse($before);
    }

    private function relocation(Tree $tree): Relocate
    {
        return match ($this->direction) {
            Direction::Up => Relocate::up($tree, $this->entryId),
            Direction::Down => Relocate::down($tree, $this->entryId),
            Direction::In => Relocate::in($tree, $this->entryId),
            Direction::Out => Relocate::out($tree, $this->entryId),
        };
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Moves several entries one step in a direction; they keep their order among themselves. */
final readonly class ShiftAll implements Move
{
    /** @param list<string> $entryIds what stands below one of them comes along and need not be named */
    public function __construct(public array $entryIds, public Direction $direction)
    {
    }

    public function apply(Tree $tree): Tree
    {
        $ids = $tree->topmost($this->entryIds);
        // Whoever goes first must not be stopped by, or overtake, one that is still to go.
        $order = match ($this->direction) {
            Direction::Up, Direction::In => $ids,
            Direction::Down, Direction::Out => array_reverse($ids),
        };

        return array_reduce($order, fn (Tree $at, string $id): Tree => (new Shift($id, $this->direction))->apply($at), $tree);
    }

    public function inverse(Tree $before): Move
    {
        return Difference::between($this->apply($before), $before);
    }
}

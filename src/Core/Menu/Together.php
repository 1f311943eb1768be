<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Several moves that are made, and undone, as one step: all of them or none. */
final readonly class Together implements Move
{
    /** @param list<Move> $moves in the order in which they are made */
    public function __construct(public array $moves)
    {
    }

    public function apply(Tree $tree): Tree
    {
        return array_reduce($this->moves, static fn (Tree $at, Move $move): Tree => $move->apply($at), $tree);
    }

    public function inverse(Tree $before): Move
    {
        $inverses = [];
        foreach ($this->moves as $move) {
            array_unshift($inverses, $move->inverse($before));
            $before = $move->apply($before);
        }

        return new self($inverses);
    }
}

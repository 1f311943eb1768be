<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** One change of a menu. Each has an exact inverse, so undoing is a list of inverses. */
interface Move
{
    /** @throws \Lantern\Core\Refused where the change would break a rule; the tree stays as it was */
    public function apply(Tree $tree): Tree;

    /**
     * The move that leads back: `$m->inverse($t)->apply($m->apply($t))` is `$t`.
     *
     * @param Tree $before the tree that this move is, or was, applied to
     */
    public function inverse(Tree $before): self;
}

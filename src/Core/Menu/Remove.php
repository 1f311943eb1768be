<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Takes an entry out, and all below it along. */
final readonly class Remove implements Move
{
    public function __construct(public string $entryId)
    {
    }

    public function apply(Tree $tree): Tree
    {
        return $tree->without($this->entryId);
    }

    public function inverse(Tree $before): Move
    {
        return new Insert($before->get($this->entryId), $before->positionOf($this->entryId));
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** What became of two people's edits of one menu. */
final readonly class Merged
{
    /** @param list<Conflict> $conflicts at most one for each entry */
    public function __construct(public Tree $tree, public array $conflicts)
    {
    }
}

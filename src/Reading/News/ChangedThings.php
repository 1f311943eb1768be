<?php

declare(strict_types=1);

namespace Lantern\Reading\News;

/** What changed on the workbench since a moment. */
final readonly class ChangedThings
{
    /**
     * @param string             $mark       of this moment, to ask with the next time
     * @param bool               $everything whether the moment is so long ago that anything may have changed
     * @param list<ChangedThing> $changed
     */
    public function __construct(public string $mark, public bool $everything, public array $changed)
    {
    }
}

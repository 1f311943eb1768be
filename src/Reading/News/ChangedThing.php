<?php

declare(strict_types=1);

namespace Lantern\Reading\News;

/** Something that was changed on the workbench. */
final readonly class ChangedThing
{
    /**
     * @param string      $about place, menu, frame, redirect, mention or release
     * @param string|null $id    null: several, or the only one there is
     */
    public function __construct(public string $about, public ?string $id)
    {
    }
}

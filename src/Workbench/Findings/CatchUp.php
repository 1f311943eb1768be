<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

/** To be done by a worker: what changed in a copy of the shop is looked at, however much that is. */
final readonly class CatchUp
{
    /** @param string $copy live or workbench */
    public function __construct(public string $copy)
    {
    }
}

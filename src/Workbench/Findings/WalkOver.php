<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

/** To be done by a worker: everything in a copy of the shop is looked at. */
final readonly class WalkOver
{
    /** @param string $copy live or workbench */
    public function __construct(public string $copy)
    {
    }
}

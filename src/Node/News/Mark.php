<?php

declare(strict_types=1);

namespace Lantern\Node\News;

/** A moment by the clock of a node, see Freshness. */
final readonly class Mark
{
    /** @param string $epoch empty: a node without a memory */
    public function __construct(public string $epoch, public int $clock)
    {
    }
}

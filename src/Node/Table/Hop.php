<?php

declare(strict_types=1);

namespace Lantern\Node\Table;

/** Where a redirect leads that leads there at any time, for anybody. */
final readonly class Hop
{
    /** @param string $location with the target's own query */
    public function __construct(public int $status, public string $location)
    {
    }
}

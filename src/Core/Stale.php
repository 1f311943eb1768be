<?php

declare(strict_types=1);

namespace Lantern\Core;

/** Somebody else changed the thing since it was read. What they made of it comes with the answer. */
final class Stale extends \RuntimeException
{
    public function __construct(public readonly int $currentVersion)
    {
        parent::__construct('Somebody changed this in the meantime. Look at what it is now, then make your change again.');
    }
}

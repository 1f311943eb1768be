<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

/** Something was edited since whoever publishes looked at what waits. Nothing was published. */
final class ChangedSince extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('Somebody changed something since you looked, so nothing was published. Look at what waits now, then publish.');
    }
}

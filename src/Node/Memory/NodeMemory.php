<?php

declare(strict_types=1);

namespace Lantern\Node\Memory;

/** Whether this node has a memory that its processes share (APCu). */
final class NodeMemory
{
    public static function isThere(): bool
    {
        return \function_exists('apcu_enabled') && apcu_enabled();
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Node\Memory;

use Symfony\Component\Cache\Adapter\AdapterInterface;
use Symfony\Component\Cache\Adapter\ApcuAdapter;
use Symfony\Component\Cache\Adapter\ArrayAdapter;

/**
 * Where a node keeps what never changes under its key. Which memory it has is asked when a process runs,
 * not when the container is compiled, which is on the command line.
 */
final class NodeCache
{
    public static function make(): AdapterInterface
    {
        return NodeMemory::isThere() ? new ApcuAdapter('resolved') : new ArrayAdapter();
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\Places;

/** A file that somebody sends. */
final readonly class Upload
{
    /**
     * @param string $path where it lies for now
     * @param string $name as its sender calls it
     */
    public function __construct(public string $path, public string $name)
    {
    }
}

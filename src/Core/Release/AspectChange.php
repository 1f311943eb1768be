<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

/** One aspect with what it was and what it is. */
final readonly class AspectChange
{
    public function __construct(public Aspect $aspect, public string $was = '', public string $is = '')
    {
    }
}

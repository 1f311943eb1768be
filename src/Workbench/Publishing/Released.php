<?php

declare(strict_types=1);

namespace Lantern\Workbench\Publishing;

/** Told to whoever listens, once a release is live. */
final readonly class Released
{
    /** @param string $by the name of whoever published it */
    public function __construct(public int $number, public string $by)
    {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Letters;

/** To be done by a worker: somebody is written to, by how they stand on their list when it is done. */
final readonly class WriteLetter
{
    public function __construct(public string $subscriberId)
    {
    }
}

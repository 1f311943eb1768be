<?php

declare(strict_types=1);

namespace Lantern\Workbench\Subscribers;

use Symfony\Component\Uid\UuidV7;

/** To be done by a worker: somebody is written to, by how they stand on their list when it is done. */
final readonly class WriteLetter
{
    public string $id;

    public function __construct(public string $subscriberId)
    {
        $this->id = (new UuidV7())->toRfc4122();
    }
}

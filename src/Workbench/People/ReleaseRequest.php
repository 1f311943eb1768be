<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

/** That somebody asks for what waits to be published. */
final readonly class ReleaseRequest
{
    public function __construct(public string $person, public string $note, public \DateTimeImmutable $at)
    {
    }
}

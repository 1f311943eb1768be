<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

/** A browser that somebody is signed in with. */
final readonly class OwnSession
{
    public function __construct(
        public string $id,
        public string $browser,
        public string $network,
        public \DateTimeImmutable $begunAt,
        public \DateTimeImmutable $seenAt,
    ) {
    }
}

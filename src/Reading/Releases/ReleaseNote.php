<?php

declare(strict_types=1);

namespace Lantern\Reading\Releases;

/** What is kept of a release besides its rows. */
final readonly class ReleaseNote
{
    public function __construct(
        public int $number,
        public \DateTimeImmutable $releasedAt,
        public string $releasedBy,
        public string $summary,
    ) {
    }
}

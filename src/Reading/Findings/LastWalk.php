<?php

declare(strict_types=1);

namespace Lantern\Reading\Findings;

/** The last walk over the rendered shop, and what it saw that the link check does not know. */
final readonly class LastWalk
{
    /** @param list<string> $faults sentences */
    public function __construct(public \DateTimeImmutable $at, public int $pages, public int $links, public array $faults)
    {
    }
}

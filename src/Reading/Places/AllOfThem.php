<?php

declare(strict_types=1);

namespace Lantern\Reading\Places;

/** All that a table is narrowed to. */
final readonly class AllOfThem
{
    /** @param list<string> $ids of the first of them */
    public function __construct(public int $count, public array $ids)
    {
    }
}

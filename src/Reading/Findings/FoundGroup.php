<?php

declare(strict_types=1);

namespace Lantern\Reading\Findings;

use Lantern\Core\Finding\FindingKind;

/** The findings of one kind. */
final readonly class FoundGroup
{
    /**
     * @param int                $count  of all of them
     * @param int                $visits that meet any of them
     * @param list<FoundFinding> $first  the most visited
     */
    public function __construct(public FindingKind $kind, public int $count, public int $visits, public array $first)
    {
    }
}

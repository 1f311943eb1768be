<?php

declare(strict_types=1);

namespace Lantern\Reading\Releases;

use Lantern\Core\Release\WaitingChange;

/** What a release changed, or a part of it. */
final readonly class ReleasedPart
{
    /**
     * @param list<WaitingChange> $changes
     * @param RowKey|null         $next    what the next part follows; null where there is none
     */
    public function __construct(public array $changes, public ?RowKey $next)
    {
    }
}

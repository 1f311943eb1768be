<?php

declare(strict_types=1);

namespace Lantern\Reading\Releases;

use Lantern\Core\Release\Comparison;
use Lantern\Core\Release\WaitingChange;

/** What waits to be published, or a part of it. */
final readonly class Waiting
{
    /**
     * @param list<WaitingChange> $changes
     * @param int                 $more    rows after these that were edited; some may have been put back
     * @param int                 $redirects of these
     * @param RowKey|null         $next    what the next part follows; null where there is none
     * @param string              $state   names what was seen: with any edit it is another one
     */
    public function __construct(public array $changes, public int $more, public int $redirects, public ?RowKey $next, public string $state)
    {
    }

    public function count(): int
    {
        return \count($this->changes) + $this->more;
    }

    public function summary(): string
    {
        return Comparison::summary($this->changes, $this->redirects, $this->more - $this->redirects);
    }
}

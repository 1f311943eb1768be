<?php

declare(strict_types=1);

namespace Lantern\Reading\Search;

use Lantern\Core\Place\Place;

/** What visitors looked for and did not find. */
final readonly class MissedSearch
{
    /** @param Place|null $suggested where some of the words are found */
    public function __construct(public string $words, public int $times, public string $lastDay, public ?Place $suggested)
    {
    }
}

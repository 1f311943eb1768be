<?php

declare(strict_types=1);

namespace Lantern\Reading\Search;

/** What somebody who types into the search may mean. */
final readonly class Suggestion
{
    /** @param string $address its path */
    public function __construct(public string $title, public string $address, public bool $isProduct)
    {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Reading\Catalogue;

use Lantern\Reading\Sql\SqlFragment;

/**
 * What is left of a listing by all that is chosen: a query goes on from it with `remaining`, and with `c0`, `c1` … for each filter in which
 * something is chosen.
 */
final readonly class LeftOfListing
{
    /** @param list<string> $chosen keys of the filters in which something is chosen */
    public function __construct(public SqlFragment $with, public array $chosen)
    {
    }
}

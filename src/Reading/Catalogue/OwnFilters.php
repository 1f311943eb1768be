<?php

declare(strict_types=1);

namespace Lantern\Reading\Catalogue;

use Lantern\Core\Place\Place;

/** A place whose listing has filters of its own. */
final readonly class OwnFilters
{
    /** @param string $stored as `Filters` keeps them */
    public function __construct(public Place $place, public int $version, public string $stored)
    {
    }
}

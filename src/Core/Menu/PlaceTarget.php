<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** A place, or a part of one. It is a reference, so the entry follows when the address changes. */
final readonly class PlaceTarget implements Target
{
    /** @param string $part an anchor within the place, without `#`; empty for the whole place */
    public function __construct(public string $placeId, public string $part = '')
    {
    }
}

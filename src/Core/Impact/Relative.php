<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Place\Place;

/** A place that another one's visitors could be led to, and why it is near. */
final readonly class Relative
{
    public function __construct(public Place $place, public string $why)
    {
    }
}

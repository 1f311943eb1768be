<?php

declare(strict_types=1);

namespace Lantern\Reading\Outlines;

use Lantern\Core\Outline\Sureness;
use Lantern\Core\Place\Place;

/** A place that some words could mean. */
final readonly class PlaceMatch
{
    public function __construct(public Place $place, public Sureness $sureness, public float $score)
    {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\Place;

/** The wish to give a place another address. */
final readonly class Readdressing
{
    /** @param list<Place> $below what stands below its address and comes along; empty where it stays behind */
    public function __construct(public Place $place, public Address $to, public array $below = [])
    {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Answer;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\Place;

interface PlaceLookup
{
    public function at(Address $address): ?Place;

    public function get(string $id): ?Place;
}

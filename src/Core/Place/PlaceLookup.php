<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Address\Address;

interface PlaceLookup
{
    public function at(Address $address): ?Place;

    public function get(string $id): ?Place;
}

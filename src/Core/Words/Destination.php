<?php

declare(strict_types=1);

namespace Lantern\Core\Words;

use Lantern\Core\Address\Address;

/** Where a reference in a text leads today. */
final readonly class Destination
{
    public function __construct(public Address $address, public bool $newTab = false)
    {
    }
}

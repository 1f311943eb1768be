<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Address\Address;

/** The address that somebody wants for a place, and the one that was seen when it was wanted. */
final readonly class AddressWish
{
    public function __construct(public string $placeId, public string $seen, public Address $to, public bool $carryBelow = true)
    {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\Addresses;

/** The address that somebody wants for a place, and the one that was seen when it was wanted. */
final readonly class AddressWish
{
    /** @param string $to as it was typed */
    public function __construct(public string $placeId, public string $seen, public string $to, public bool $carryBelow = true)
    {
    }
}

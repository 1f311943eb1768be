<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Address\Address;

/** One place that gets another address. */
final readonly class ChangedAddress
{
    public function __construct(public string $placeId, public string $title, public Address $from, public Address $to)
    {
    }
}

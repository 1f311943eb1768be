<?php

declare(strict_types=1);

namespace Lantern\Workbench\Addresses;

use Lantern\Core\Address\Address;

/** One wish for an address, judged. */
final readonly class JudgedWish
{
    /**
     * @param Address|null $to      null where what was typed is no address
     * @param string|null  $problem why it cannot be, for a person
     */
    public function __construct(public string $placeId, public ?Address $to, public ?string $problem)
    {
    }
}

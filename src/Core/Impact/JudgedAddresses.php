<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** Which wanted addresses cannot be, and what the others do together. */
final readonly class JudgedAddresses
{
    /**
     * @param array<string, string> $problems what to tell a person, by id of the place
     * @param AddressChange|null    $change   null where nothing is left to do
     */
    public function __construct(public array $problems, public ?AddressChange $change)
    {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\Addresses;

use Lantern\Core\Address\Address;
use Lantern\Core\Impact\Readdressing;

/** Wishes as the workbench stands now: those that can be thought through, and why others cannot. */
final readonly class ReadWishes
{
    /**
     * @param list<Readdressing>     $good
     * @param array<string, Address> $addresses as wanted, by id of the place
     * @param array<string, string>  $problems  what to tell a person, by id of the place
     */
    public function __construct(public array $good, public array $addresses, public array $problems)
    {
    }
}

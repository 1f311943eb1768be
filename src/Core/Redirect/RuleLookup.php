<?php

declare(strict_types=1);

namespace Lantern\Core\Redirect;

use Lantern\Core\Address\Address;

/** Finds the rule that answers for an address. */
interface RuleLookup
{
    /** The rule whose source is this address and no other, in force at the moment. */
    public function exact(Address $address, \DateTimeImmutable $moment): ?Rule;

    /** Of the prefix rules that the address stands below, in force at the moment, the one with the longest source. */
    public function longestPrefix(Address $address, \DateTimeImmutable $moment): ?Rule;
}

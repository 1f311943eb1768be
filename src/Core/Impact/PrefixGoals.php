<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Address\Address;
use Lantern\Core\Redirect\Rule;

/** Where redirects for all below an address lead. */
final class PrefixGoals
{
    /**
     * Whether one of them leads visitors to an address, from one below its source.
     *
     * @param iterable<Rule|NewRedirect> $prefixRules
     */
    public static function leadTo(Address $address, iterable $prefixRules): bool
    {
        foreach ($prefixRules as $rule) {
            if (null !== $rule->goal->address && $address->isBelow($rule->goal->address)) {
                return true;
            }
        }

        return false;
    }
}

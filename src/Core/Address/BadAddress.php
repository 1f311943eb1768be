<?php

declare(strict_types=1);

namespace Lantern\Core\Address;

use Lantern\Core\Refused;

/** A path that has no normal form. A visitor who asks for one gets a 400. */
final class BadAddress extends Refused
{
    public static function brokenPercentCode(): self
    {
        return new self('address', 'The address has a % that is not followed by two hexadecimal digits. Write %25 for a percent sign.');
    }

    public static function notUtf8(): self
    {
        return new self('address', 'The address holds bytes that are not UTF-8 text. Type it again with plain letters.');
    }

    public static function nul(): self
    {
        return new self('address', 'The address holds a NUL character. Take it out.');
    }

    public static function tooLong(): self
    {
        return new self('address', \sprintf('The address is longer than %d bytes. Shorten it.', Address::MAX_BYTES));
    }

    public static function notAbsolute(): self
    {
        return new self('address', 'An address begins with a slash, such as /papers/marbled.');
    }
}

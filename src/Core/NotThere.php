<?php

declare(strict_types=1);

namespace Lantern\Core;

/** What was asked for is not there, or no longer. */
final class NotThere extends \RuntimeException
{
    public static function menu(): self
    {
        return new self('This menu is no longer there. Somebody may have removed it.');
    }

    public static function place(): self
    {
        return new self('This place is no longer there. Somebody may have removed it.');
    }

    public static function redirect(): self
    {
        return new self('This redirect is no longer there. Somebody may have removed it.');
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

/** What the address of a closed place answers. */
enum ClosedAnswer: string
{
    case NotFound = 'not-found';
    case Gone = 'gone';
    case Elsewhere = 'elsewhere';

    /** HTTP status (RFC 9110, 15). */
    public function status(): int
    {
        return match ($this) {
            self::NotFound => 404,
            self::Gone => 410,
            self::Elsewhere => 302,
        };
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

/** What a place lets out. */
enum Light: string
{
    /** Opens at its address, and menus may show it. */
    case Open = 'open';
    /** Opens at its address; no menu or self-filling list mentions it. */
    case Quiet = 'quiet';
    /** Does not open. */
    case Closed = 'closed';

    public function opens(): bool
    {
        return self::Closed !== $this;
    }

    public function isShownInLists(): bool
    {
        return self::Open === $this;
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Looks;

/** The line around a button. */
enum Edge: string
{
    case None = 'none';
    case Thin = 'thin';
    case Strong = 'strong';

    /** Its width in pixels. */
    public function pixels(): int
    {
        return match ($this) {
            self::None => 0,
            self::Thin => 1,
            self::Strong => 2,
        };
    }
}

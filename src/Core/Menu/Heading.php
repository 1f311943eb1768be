<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** An entry that leads nowhere and names what stands below it. */
final readonly class Heading implements Target
{
    public function equals(Target $other): bool
    {
        return $other instanceof self;
    }
}

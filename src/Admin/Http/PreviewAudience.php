<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Lantern\Core\Visitor;

/** With whose eyes to look at the shop. */
enum PreviewAudience: string
{
    case Guest = 'guest';
    case Customer = 'customer';

    public function at(\DateTimeImmutable $moment): Visitor
    {
        return new Visitor(self::Customer === $this, $moment);
    }
}

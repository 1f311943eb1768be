<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Visitor;

enum Audience: string
{
    case Everyone = 'everyone';
    case Guests = 'guests';
    case Customers = 'customers';

    public function includes(Visitor $visitor): bool
    {
        return match ($this) {
            self::Everyone => true,
            self::Guests => !$visitor->signedIn,
            self::Customers => $visitor->signedIn,
        };
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Place\Place;
use Lantern\Core\Visitor;

/** How a place meets a visitor. */
enum PlaceVisibility
{
    case Open;
    case OpenUnlisted;
    case OtherAudience;
    case Closed;

    public static function of(Place $place, Visitor $visitor): self
    {
        return match (true) {
            $place->isShownTo($visitor) => self::Open,
            $place->opensFor($visitor) => self::OpenUnlisted,
            $place->opensAt($visitor->moment) => self::OtherAudience,
            default => self::Closed,
        };
    }
}

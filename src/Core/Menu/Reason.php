<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Why a visitor does not get an entry. */
enum Reason: string
{
    case SwitchedOff = 'switched-off';
    case NotYet = 'not-yet';
    case NoLonger = 'no-longer';
    case OtherAudience = 'other-audience';
    case PlaceClosed = 'place-closed';
    case PlaceQuiet = 'place-quiet';
    case PlaceNotForVisitor = 'place-not-for-visitor';
    case PlaceGone = 'place-gone';
    case NothingBelow = 'nothing-below';
    case ParentLeftOut = 'parent-left-out';

    /** Said to the person who edits the menu. */
    public function words(): string
    {
        return match ($this) {
            self::SwitchedOff => 'It is switched off.',
            self::NotYet => 'Its own dates have not come yet.',
            self::NoLonger => 'Its own dates are over.',
            self::OtherAudience => 'It is meant for another audience.',
            self::PlaceClosed => 'Its place is closed.',
            self::PlaceQuiet => 'Its place is quiet: it opens at its address, but no menu shows it.',
            self::PlaceNotForVisitor => 'Its place is meant for another audience.',
            self::PlaceGone => 'Its place is no longer there.',
            self::NothingBelow => 'It is a heading with nothing to show below it.',
            self::ParentLeftOut => 'The entry above it is left out.',
        };
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Place\Light;
use Lantern\Core\Place\Place;
use Lantern\Core\Visitor;

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
    case NothingToShow = 'nothing-to-show';
    case NothingAfter = 'nothing-after';
    case AtTheEdge = 'at-the-edge';
    case PictureGone = 'picture-gone';
    case NoList = 'no-list';

    /** What the line itself says against it, whatever it leads to. */
    public static function ofLine(Entry $entry, Visitor $visitor): ?self
    {
        return match (true) {
            !$entry->enabled => self::SwitchedOff,
            null !== $entry->opening->from && $visitor->moment < $entry->opening->from => self::NotYet,
            !$entry->opening->contains($visitor->moment) => self::NoLonger,
            !$entry->audience->includes($visitor) => self::OtherAudience,
            default => null,
        };
    }

    /**
     * What the place that it leads to says against it.
     *
     * @param bool $asMenus whether quiet places are left out, as in menus and lists
     */
    public static function ofPlace(?Place $place, Visitor $visitor, bool $asMenus = true): ?self
    {
        if (null === $place) {
            return self::PlaceGone;
        }
        $light = $place->lightAt($visitor->moment);

        return match (true) {
            Light::Closed === $light => self::PlaceClosed,
            Light::Quiet === $light && $asMenus => self::PlaceQuiet,
            default => $place->audience->includes($visitor) ? null : self::PlaceNotForVisitor,
        };
    }

    /** Said to the person who edits it. */
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
            self::ParentLeftOut => 'What it stands in is left out.',
            self::NothingToShow => 'It has nothing to show.',
            self::NothingAfter => 'It is a heading with nothing after it in its column.',
            self::AtTheEdge => 'A divider that would stand first or last divides nothing.',
            self::PictureGone => 'Its picture is no longer there.',
            self::NoList => 'It has no list yet to write addresses into.',
        };
    }
}

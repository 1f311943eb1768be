<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/** An act that puts a finding right. */
enum MendKind: string
{
    case LeadElsewhere = 'lead-elsewhere';
    case TakeOut = 'take-out';
    case OpenPlace = 'open-place';
    case Refer = 'refer';
    case NearestPart = 'nearest-part';
    case WholePage = 'whole-page';
    case NewAddress = 'new-address';
    case Write = 'write';
    case MakeQuiet = 'make-quiet';
    case AnotherLabel = 'another-label';
    case DatesOfPlace = 'dates-of-place';
    case IntoFooter = 'into-footer';
    case Straighten = 'straighten';
    case LeadOn = 'lead-on';
    case NoteAddress = 'note-address';
    case Follow = 'follow';
    case NotListed = 'not-listed';
    case NearestColour = 'nearest-colour';
    case AtTheSpot = 'at-the-spot';

    /** What it needs to be told. */
    public function asks(): MendAsks
    {
        return match ($this) {
            self::LeadElsewhere, self::LeadOn => MendAsks::Place,
            self::Write, self::AnotherLabel => MendAsks::Words,
            self::AtTheSpot => MendAsks::Spot,
            default => MendAsks::Nothing,
        };
    }
}

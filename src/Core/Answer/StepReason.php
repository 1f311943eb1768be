<?php

declare(strict_types=1);

namespace Lantern\Core\Answer;

/** Why a request goes on, or ends. */
enum StepReason: string
{
    case NoAddress = 'no-address';
    case NormalForm = 'normal-form';
    case Redirect = 'redirect';
    case Gone = 'gone';
    case PlaceRemoved = 'place-removed';
    case ClosedElsewhere = 'closed-elsewhere';
    case ClosedGone = 'closed-gone';
    case ClosedNotFound = 'closed-not-found';
    case NothingHere = 'nothing-here';
    case Circle = 'circle';
    case Opens = 'opens';
    case OtherAudience = 'other-audience';

    /** @param string $about what the redirect is, or what is wrong with the address */
    public function words(string $about = ''): string
    {
        return match ($this) {
            self::NoAddress => $about,
            self::NormalForm => 'brought to normal form',
            self::Redirect => "redirect $about",
            self::Gone => 'gone',
            self::PlaceRemoved => 'a redirect whose place is no longer there',
            self::ClosedElsewhere => 'closed, leads elsewhere for now',
            self::ClosedGone => 'closed, answers gone',
            self::ClosedNotFound => 'closed, answers not found',
            self::NothingHere => 'nothing is here',
            self::Circle => 'redirects go round in a circle',
            self::Opens => 'opens',
            self::OtherAudience => 'opens for another audience',
        };
    }
}

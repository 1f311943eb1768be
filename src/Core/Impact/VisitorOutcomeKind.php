<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** What becomes of whoever comes to an address. */
enum VisitorOutcomeKind
{
    case GoesOnArriving;
    case Arrives;
    case IsAskedToSignIn;
    /** Only guests may come. */
    case ForGuestsOnly;
    case IsLedForNow;
    case IsLedForGood;
    case FindsItGone;
    case FindsNothing;
}

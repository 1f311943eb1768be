<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

/** What can differ about a thing that is in both copies. */
enum Aspect
{
    case Title;
    case Address;
    case Light;
    case Dates;
    case Audience;
    case Listing;
    case ClosedAnswer;
    case Serving;
    case Content;
    case Filling;
    case Filters;
    case Summary;
    case Picture;
    case Parent;
    case Position;
    case Label;
    case Enabled;
    case Target;
    case Note;
    case Name;
    case Width;
    case Other;
}

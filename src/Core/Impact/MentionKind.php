<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** Where a link to a place stands. */
enum MentionKind: string
{
    case Entry = 'entry';
    case Text = 'text';
    case Redirect = 'redirect';
    case ClosedPlace = 'closed-place';
    case List = 'list';
    case Outside = 'outside';
}

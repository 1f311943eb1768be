<?php

declare(strict_types=1);

namespace Lantern\Workbench\Subscribers;

/** What became of a link in a letter that somebody followed. */
enum Outcome: string
{
    case Confirmed = 'confirmed';
    case ConfirmedBefore = 'confirmed-before';
    case RanOut = 'ran-out';
    case Left = 'left';
    case LeftBefore = 'left-before';
    case Unknown = 'unknown';
}

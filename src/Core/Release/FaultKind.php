<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

/** What a state of the shop must not have, whoever brings it about: an edit, an undo, a release. */
enum FaultKind
{
    /** Two places have one address. */
    case AddressTwice;
    /** A redirect, or a closed place, leads round to where it began. */
    case Circle;
    /** A place stands below itself. */
    case BelowItself;
    /** An entry leads to a place that is not there. */
    case EntryWithoutPlace;
    /** A closed place leads visitors to a place that is not there. */
    case ClosedToNothing;
    /** An open text has a blank that nothing fills. */
    case EmptyBlank;
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/** What somebody has to say before a mend is made. */
enum MendAsks: string
{
    case Nothing = 'nothing';
    case Place = 'place';
    case Words = 'words';
    /** It is done by hand, where it is. */
    case Spot = 'spot';
}

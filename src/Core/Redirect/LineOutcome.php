<?php

declare(strict_types=1);

namespace Lantern\Core\Redirect;

/** What becomes of a line. */
enum LineOutcome: string
{
    case Added = 'added';
    /** The same redirect is there, in the shop or further up in the file. */
    case Already = 'already';
    case Refused = 'refused';
}

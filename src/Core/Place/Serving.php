<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

/** How a link to a file opens it. */
enum Serving: string
{
    case Shown = 'shown';
    case NewTab = 'new-tab';
    case Download = 'download';
}

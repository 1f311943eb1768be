<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/** What is laid out as lines, one below the other. */
enum MenuKind: string
{
    case Menu = 'menu';
    case Page = 'page';
    case Panel = 'panel';
    case Column = 'column';
}

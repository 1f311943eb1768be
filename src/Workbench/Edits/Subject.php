<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

/** What an edit is about; the last one about one of these can be taken back by itself. */
enum Subject: string
{
    case Places = 'places';
    case Frame = 'frame';
    case Redirects = 'redirects';
}

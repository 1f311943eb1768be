<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/** What a finding is about. */
enum SubjectType: string
{
    case Entry = 'entry';
    case Text = 'text';
    case Piece = 'piece';
    case Redirect = 'redirect';
    case Place = 'place';
    case Mention = 'outside-mention';
    case Header = 'header';
    case Panel = 'panel';
    case Looks = 'looks';
}

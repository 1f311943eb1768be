<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** How words lead to a place. */
enum LinkForm: string
{
    case Link = 'link';
    case Button = 'button';
    case Picture = 'picture';
    case Video = 'video';
    /** Something laid out on its page: products, cards, a list of links. */
    case Piece = 'piece';
    /** By its address, not by reference: it does not follow when the place moves. */
    case Typed = 'typed';
}

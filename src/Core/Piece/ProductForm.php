<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** How products are laid out. */
enum ProductForm: string
{
    case Grid = 'grid';
    case Row = 'row';
    case Carousel = 'carousel';
    case Links = 'links';
}

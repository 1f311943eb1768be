<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** In which order products stand. */
enum ProductOrder: string
{
    /** As the category, the collection or the hand has them. */
    case Laid = 'laid';
    case Name = 'name';
    case Price = 'price';
    case Newest = 'newest';
}

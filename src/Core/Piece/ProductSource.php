<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** Where the products of a piece come from. */
enum ProductSource: string
{
    /** The category or collection that its line leads to. */
    case Place = 'place';
    case Tag = 'tag';
    case Reduced = 'reduced';
    case Newest = 'newest';
    case Featured = 'featured';
    /** The products that stand below it. */
    case Hand = 'hand';

    public function words(): string
    {
        return match ($this) {
            self::Place => 'of a category or collection',
            self::Tag => 'with a tag',
            self::Reduced => 'that are reduced',
            self::Newest => 'that are new',
            self::Featured => 'that are featured',
            self::Hand => 'chosen by hand',
        };
    }
}

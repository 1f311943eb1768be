<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** A list of links: lines as in a menu, those that fill themselves, too. */
final readonly class Links extends Piece
{
    public function kind(): PieceKind
    {
        return PieceKind::Links;
    }
}

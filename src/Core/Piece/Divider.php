<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** A line between pieces. */
final readonly class Divider extends Piece
{
    public function kind(): PieceKind
    {
        return PieceKind::Divider;
    }
}

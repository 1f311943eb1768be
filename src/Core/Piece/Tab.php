<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** One tab. Its bands stand below it. */
final readonly class Tab extends Piece
{
    public function kind(): PieceKind
    {
        return PieceKind::Tab;
    }
}

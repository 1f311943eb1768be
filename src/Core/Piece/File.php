<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** A file, with its type and size. */
final readonly class File extends Piece
{
    public function kind(): PieceKind
    {
        return PieceKind::File;
    }
}

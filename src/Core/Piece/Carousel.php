<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** Pieces in a row that scrolls. */
final readonly class Carousel extends Piece
{
    public function __construct(
        public bool $turns = false,
    ) {
    }

    public function kind(): PieceKind
    {
        return PieceKind::Carousel;
    }
}

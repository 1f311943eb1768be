<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** A button that leads somewhere. */
final readonly class Button extends Piece
{
    public function __construct(
        public bool $main = true,
    ) {
    }

    public function kind(): PieceKind
    {
        return PieceKind::Button;
    }
}

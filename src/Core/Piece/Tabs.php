<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** Named tabs, of which one is seen; without a script, one below another. */
final readonly class Tabs extends Piece
{
    public const LEAST = 2;
    public const MOST = 8;

    public function __construct(
        public bool $beside = false,
    ) {
    }

    public function kind(): PieceKind
    {
        return PieceKind::Tabs;
    }
}

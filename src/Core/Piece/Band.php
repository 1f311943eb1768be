<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** Columns side by side. */
final readonly class Band extends Piece
{
    public const COLUMNS = 6;

    public function __construct(
        public BandWidth $width = BandWidth::Page,
        public int $gap = 24,
        public int $room = 0,
        public Ground $ground = new Ground(),
        public Colours $colours = new Colours(),
    ) {
        Room::check('room', $gap, $room);
    }

    public function kind(): PieceKind
    {
        return PieceKind::Band;
    }
}

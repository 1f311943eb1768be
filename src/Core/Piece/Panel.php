<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** A wide panel: what opens below an entry of the header's first level, in place of its plain dropdown. Its bands stand below it. */
final readonly class Panel extends Piece
{
    public function __construct(
        public BandWidth $width = BandWidth::Page,
        public int $distance = 0,
        public int $room = 24,
        public Ground $ground = new Ground(),
        public Colours $colours = new Colours(),
        public bool $byClick = false,
        public bool $fades = true,
    ) {
        Room::check('room', $distance, $room);
    }

    public function kind(): PieceKind
    {
        return PieceKind::Panel;
    }
}

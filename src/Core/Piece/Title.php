<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Refused;

/** A heading, which may lead somewhere. */
final readonly class Title extends Piece
{
    public function __construct(
        public int $level = 2,
    ) {
        if ($level < 2 || $level > 4) {
            throw new Refused('level', 'A heading in a page has level 2, 3 or 4; level 1 is the title of the page.');
        }
    }

    public function kind(): PieceKind
    {
        return PieceKind::Heading;
    }
}

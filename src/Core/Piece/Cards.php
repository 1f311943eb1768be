<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Refused;

/** Cards with picture and short description: of the places below it, or of all that stand below the one its line leads to. */
final readonly class Cards extends Piece
{
    public const MOST = 24;

    public function __construct(
        public bool $ofChildren = false,
        public int $most = self::MOST,
    ) {
        if ($most < 1 || $most > self::MOST) {
            throw new Refused('most', \sprintf('A piece shows from 1 to %d cards; choose a number between.', self::MOST));
        }
    }

    public function kind(): PieceKind
    {
        return PieceKind::Cards;
    }
}

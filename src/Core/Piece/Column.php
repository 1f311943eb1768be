<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Refused;

/** A column of a band. */
final readonly class Column extends Piece
{
    public const MOST = 12;

    public function __construct(
        public int $share = 1,
    ) {
        if ($share < 1 || $share > self::MOST) {
            throw new Refused(
                'share',
                \sprintf('A column has from 1 to %d parts of the width of its band; this one has %d.', self::MOST, $share),
            );
        }
    }

    public function kind(): PieceKind
    {
        return PieceKind::Column;
    }
}

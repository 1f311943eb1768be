<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

/** One product, large. */
final readonly class OneProduct extends Piece implements ForDrawer
{
    public function __construct(
        public bool $price = true,
        public bool $basket = true,
        public bool $inDrawer = false,
    ) {
    }

    public function kind(): PieceKind
    {
        return PieceKind::Product;
    }

    public function isInDrawer(): bool
    {
        return $this->inDrawer;
    }
}

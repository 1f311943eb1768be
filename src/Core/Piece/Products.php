<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Refused;

/** Products as the catalogue has them at the moment. */
final readonly class Products extends Piece implements ForDrawer
{
    public const MOST = 24;

    public function __construct(
        public ProductSource $source = ProductSource::Place,
        public string $tag = '',
        public int $most = 8,
        public ProductOrder $order = ProductOrder::Laid,
        public ProductForm $form = ProductForm::Grid,
        public bool $price = true,
        public bool $basket = false,
        public bool $inDrawer = false,
    ) {
        if ($most < 1 || $most > self::MOST) {
            throw new Refused('most', \sprintf('A piece shows from 1 to %d products; choose a number between.', self::MOST));
        }
        if ((ProductSource::Tag === $source) !== ('' !== trim($tag)) || mb_strlen($tag) > 100) {
            throw new Refused('tag', 'Say by which tag its products are found, in at most 100 characters.');
        }
    }

    public function kind(): PieceKind
    {
        return PieceKind::Products;
    }

    public function isInDrawer(): bool
    {
        return $this->inDrawer;
    }
}

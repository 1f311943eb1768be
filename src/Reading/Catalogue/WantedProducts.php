<?php

declare(strict_types=1);

namespace Lantern\Reading\Catalogue;

use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Piece\Products;
use Lantern\Core\Place\Place;

/** What a piece asks of the catalogue. */
final readonly class WantedProducts
{
    /** @param Place|null $of category or collection; null: the whole shop */
    public function __construct(public Products $piece, public ?Place $of, public Narrowing $narrowing)
    {
    }
}

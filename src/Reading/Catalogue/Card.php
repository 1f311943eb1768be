<?php

declare(strict_types=1);

namespace Lantern\Reading\Catalogue;

use Lantern\Core\Place\Place;

/** A place as a list of the storefront shows it; a product with its facts. */
final readonly class Card
{
    public function __construct(
        public Place $place,
        public string $summary,
        public ?string $picture,
        public ?ProductFacts $product = null,
        public ?\DateTimeImmutable $publishedOn = null,
    ) {
    }
}

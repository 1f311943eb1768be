<?php

declare(strict_types=1);

namespace Lantern\Reading\Catalogue;

/** What the product system says of a product. */
final readonly class ProductFacts
{
    /**
     * @param int                         $price       in cents
     * @param int|null                    $reducedFrom in cents
     * @param int                         $weight      in grams
     * @param list<string>                $tags
     * @param array<string, list<string>> $options     such as sheet size or colour, with what can be chosen
     */
    public function __construct(
        public string $sku,
        public int $price,
        public ?int $reducedFrom,
        public int $stock,
        public int $weight,
        public string $maker,
        public array $tags,
        public array $options,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

/** A filter as a visitor sees it. */
final readonly class ShownFilter
{
    /**
     * @param list<ShownChoice> $choices of what has values; one, "in stock", of availability; none of price
     * @param int|null          $lowest  of price, in the smallest unit of the currency
     */
    public function __construct(
        public Filter $filter,
        public string $label,
        public array $choices,
        public ?int $lowest = null,
        public ?int $highest = null,
    ) {
    }

    /** @return list<ShownChoice> */
    public function chosen(): array
    {
        return array_values(array_filter($this->choices, static fn (ShownChoice $choice): bool => $choice->chosen));
    }
}

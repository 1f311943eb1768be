<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

/** What filters ask of a product. */
final readonly class Item
{
    /**
     * @param int                         $price      in the smallest unit of the currency
     * @param list<string>                $tags
     * @param array<string, list<string>> $options    what can be chosen of it, by the name of the option
     * @param list<string>                $categories ids of those in which it stands, and of all above them
     */
    public function __construct(
        public string $id,
        public int $price,
        public bool $inStock,
        public string $maker,
        public array $tags = [],
        public array $options = [],
        public array $categories = [],
    ) {
    }

    /** @return list<string> of a filter that has values */
    public function values(Filter $filter): array
    {
        return match ($filter->kind) {
            FilterKind::Maker => '' === $this->maker ? [] : [$this->maker],
            FilterKind::Tag => $this->tags,
            FilterKind::Category => $this->categories,
            FilterKind::Option => $this->options[$filter->option] ?? [],
            default => [],
        };
    }
}

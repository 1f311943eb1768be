<?php

declare(strict_types=1);

namespace Lantern\Storefront\Listing;

use Lantern\Core\Filter\ListingOrder;
use Lantern\Core\Filter\ListingQuery;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Filter\ShownChoice;
use Lantern\Core\Filter\ShownFilter;
use Lantern\Core\Filter\ShownFilters;
use Lantern\Reading\Catalogue\Card;

/** A listing of products as a page shows it. */
final readonly class ShownListing
{
    public const ALL_AT_ONCE = 10;

    /**
     * @param string                $path       of its page, with the prefix of a preview
     * @param ListingQuery          $query      what is known of what was asked
     * @param list<Card>            $cards
     * @param string|null           $next       id that the next page begins after
     * @param array<string, string> $categories the address of each category that is in play, without the first slash, by its id
     */
    public function __construct(
        public string $path,
        public ListingQuery $query,
        public ShownFilters $shown,
        public array $cards,
        public ?string $next,
        private array $categories,
    ) {
    }

    /** Where the listing is with something else chosen. */
    public function to(Narrowing $narrowing): string
    {
        return $this->path.$this->query->narrowedTo($narrowing)->written($this->categories);
    }

    /** Where all of it is. */
    public function plain(): string
    {
        return $this->path.(new ListingQuery(words: $this->query->words))->written();
    }

    public function address(): string
    {
        return $this->path.$this->query->written($this->categories);
    }

    public function nextPage(): ?string
    {
        return null === $this->next ? null : $this->path.$this->query->from($this->next)->written($this->categories);
    }

    /** What a form sends for a choice. */
    public function sent(string $key, string $value): string
    {
        return 'category' === $key ? $this->categories[$value] ?? '' : $value;
    }

    /**
     * What is chosen in filters that this listing does not show: the form sends it along.
     *
     * @return list<array{string, string}> names and values
     */
    public function beside(): array
    {
        return $this->sentAlong(
            array_map(static fn (ShownFilter $one): string => $one->filter->key(), $this->shown->filters),
            ListingOrder::Laid !== $this->query->order,
        );
    }

    /**
     * @param list<string> $shown keys of the filters that are sent anyway
     *
     * @return list<array{string, string}> names and values
     */
    private function sentAlong(array $shown, bool $ordered = false): array
    {
        $narrowing = $this->query->narrowing;
        $rest = [];
        foreach (array_diff(array_keys($narrowing->choices), $shown) as $key) {
            foreach ($narrowing->choices[$key] as $value) {
                $rest[] = [$key, $this->sent($key, $value)];
            }
        }
        if (!\in_array('price', $shown, true)) {
            $rest[] = ['price-from', Narrowing::decimal($narrowing->priceFrom)];
            $rest[] = ['price-to', Narrowing::decimal($narrowing->priceTo)];
        }
        if (!\in_array('in-stock', $shown, true) && $narrowing->inStock) {
            $rest[] = ['in-stock', 'yes'];
        }
        if ($ordered) {
            $rest[] = ['sort', $this->query->order->value];
        }

        return array_values(array_filter($rest, static fn (array $one): bool => '' !== $one[1]));
    }

    public function firstPage(): string
    {
        return $this->path.$this->query->from(null)->written($this->categories);
    }

    /** The query of the page that a search engine is to take for this one: its own where it is a later page of the plain listing. */
    public function canonical(): string
    {
        return $this->query->isPlain() && '' === $this->query->words ? $this->query->written() : '';
    }

    public function decimal(?int $units): string
    {
        return Narrowing::decimal($units);
    }

    /** How many choices of a filter stand there without being asked for: all, or as many as keep the chosen among them. */
    public function atOnce(ShownFilter $filter): int
    {
        $last = max([0, ...array_keys(array_filter($filter->choices, static fn (ShownChoice $choice): bool => $choice->chosen))]);

        return \count($filter->choices) <= self::ALL_AT_ONCE + 2 ? \count($filter->choices) : max(self::ALL_AT_ONCE, $last + 1);
    }

    /**
     * All that is chosen and looked for, as a form sends it along that changes the order.
     *
     * @return list<array{string, string}> names and values
     */
    public function asked(): array
    {
        return [...'' === $this->query->words ? [] : [['q', $this->query->words]], ...$this->sentAlong([])];
    }

    /** @return list<ListingOrder> */
    public function orders(): array
    {
        return ListingOrder::cases();
    }
}

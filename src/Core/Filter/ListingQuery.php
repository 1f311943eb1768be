<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

use Lantern\Core\Address\Query;

/** What an address asks of a listing: words that are looked for, what it is narrowed to, its order, and from where on. */
final readonly class ListingQuery
{
    private const MAX_WORDS = 100;

    /** @param string|null $after id of the product that the page before ended with */
    public function __construct(
        public Narrowing $narrowing = new Narrowing(),
        public ListingOrder $order = ListingOrder::Laid,
        public ?string $after = null,
        public string $words = '',
    ) {
    }

    /**
     * Whatever cannot be understood asks nothing.
     *
     * @param string $query without `?`
     */
    public static function asked(string $query): self
    {
        $asked = ['sort' => '', 'after' => '', 'q' => ''];
        foreach (Query::fields($query) as [$name, $value]) {
            if (isset($asked[$name])) {
                $asked[$name] = $value;
            }
        }

        return new self(
            Narrowing::fromQuery($query),
            ListingOrder::asked($asked['sort']),
            1 === preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D', $asked['after']) ? $asked['after'] : null,
            mb_substr(trim($asked['q']), 0, self::MAX_WORDS),
        );
    }

    /** The same with something else chosen: from the first page on. */
    public function narrowedTo(Narrowing $narrowing): self
    {
        return new self($narrowing, $this->order, null, $this->words);
    }

    /** The same with what is known of what was chosen. */
    public function knowing(Narrowing $known): self
    {
        return new self($known, $this->order, $this->after, $this->words);
    }

    public function from(?string $after): self
    {
        return new self($this->narrowing, $this->order, $after, $this->words);
    }

    /** Whether it shows no less than the whole listing, in its own order. */
    public function isPlain(): bool
    {
        return $this->narrowing->isNone() && ListingOrder::Laid === $this->order;
    }

    /**
     * The one way in which this is written in an address, with `?`; empty where nothing is asked.
     *
     * @param array<string, string> $categories the address of each category, without the first slash, by its id
     */
    public function written(array $categories = []): string
    {
        $parts = array_filter([
            '' === $this->words ? '' : 'q='.urlencode($this->words),
            $this->narrowing->query($categories),
            ListingOrder::Laid === $this->order ? '' : 'sort='.$this->order->value,
            null === $this->after ? '' : "after={$this->after}",
        ], static fn (string $part): bool => '' !== $part);

        return [] === $parts ? '' : '?'.implode('&', $parts);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

use Lantern\Core\Refused;

/** What the products of a category or collection are narrowed to. It travels in the query of an address, so a visitor can keep it. */
final readonly class Narrowing
{
    private const MOST_LETTERS = 100;

    /**
     * @param int|null $priceFrom in the smallest unit of the currency, included
     * @param int|null $priceTo   in the smallest unit of the currency, included
     * @param string   $option    such as "Sheet size"; empty: any
     * @param string   $choice    what that option is to be
     */
    public function __construct(
        public string $tag = '',
        public ?int $priceFrom = null,
        public ?int $priceTo = null,
        public bool $inStock = false,
        public string $option = '',
        public string $choice = '',
    ) {
        if (null !== $priceFrom && null !== $priceTo && $priceTo < $priceFrom) {
            throw new Refused('narrowing', 'The highest price is below the lowest one. Change one of the two.');
        }
        if (($priceFrom ?? 0) < 0 || ($priceTo ?? 0) < 0) {
            throw new Refused('narrowing', 'A price cannot be below nothing.');
        }
        if (('' === $option) !== ('' === $choice)) {
            throw new Refused('narrowing', 'Say both the option and what it is to be, such as Sheet size and 50 × 70 cm.');
        }
        foreach ([$tag, $option, $choice] as $words) {
            if (mb_strlen($words) > self::MOST_LETTERS) {
                throw new Refused('narrowing', \sprintf('A tag or an option has at most %d characters.', self::MOST_LETTERS));
            }
        }
    }

    public function equals(self $other): bool
    {
        return get_object_vars($this) === get_object_vars($other);
    }

    public function isNone(): bool
    {
        return '' === $this->tag && null === $this->priceFrom && null === $this->priceTo && !$this->inStock && '' === $this->option;
    }

    /** The query of an address, without `?`, encoded by RFC 3986; empty where nothing is narrowed. */
    public function query(): string
    {
        return http_build_query(array_filter([
            'tag' => $this->tag,
            'price-from' => self::decimal($this->priceFrom),
            'price-to' => self::decimal($this->priceTo),
            'in-stock' => $this->inStock ? 'yes' : '',
            'option' => $this->option,
            'choice' => $this->choice,
        ], static fn (string $value): bool => '' !== $value), '', '&', \PHP_QUERY_RFC3986);
    }

    /**
     * What a visitor's query asks for. What cannot be understood narrows nothing: an address that
     * somebody shortened still opens.
     *
     * @param array<mixed> $query
     */
    public static function fromQuery(array $query): self
    {
        $text = static fn (string $name): string => \is_string($query[$name] ?? null) && mb_check_encoding($query[$name], 'UTF-8') && mb_strlen($query[$name]) <= self::MOST_LETTERS ? $query[$name] : '';
        [$from, $to] = [self::units($text('price-from')), self::units($text('price-to'))];
        $hasOption = '' !== $text('option') && '' !== $text('choice');

        return new self(
            $text('tag'),
            null !== $from && null !== $to && $to < $from ? null : $from,
            $to,
            'yes' === $text('in-stock'),
            $hasOption ? $text('option') : '',
            $hasOption ? $text('choice') : '',
        );
    }

    /** As it is said beside a title: "gift, up to 20.00, in stock". */
    public function words(): string
    {
        return implode(', ', array_filter([
            $this->tag,
            match (true) {
                null !== $this->priceFrom && null !== $this->priceTo => self::decimal($this->priceFrom).' to '.self::decimal($this->priceTo),
                null !== $this->priceFrom => 'from '.self::decimal($this->priceFrom),
                null !== $this->priceTo => 'up to '.self::decimal($this->priceTo),
                default => '',
            },
            '' === $this->option ? '' : $this->option.' '.$this->choice,
            $this->inStock ? 'in stock' : '',
        ], static fn (string $part): bool => '' !== $part));
    }

    private static function decimal(?int $units): string
    {
        return null === $units ? '' : \sprintf('%d.%02d', intdiv($units, 100), $units % 100);
    }

    private static function units(string $decimal): ?int
    {
        return 1 === preg_match('/^(\d{1,7})(?:\.(\d{1,2}))?$/D', $decimal, $found) ? 100 * (int) $found[1] + (int) str_pad($found[2] ?? '', 2, '0') : null;
    }
}

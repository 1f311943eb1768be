<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

use Lantern\Core\Address\Query;
use Lantern\Core\Refused;

/**
 * What somebody has chosen in the filters of a listing. It travels in the query of an address, so a visitor can keep it, send it
 * to a friend, and a manager can lead an entry to it.
 */
final readonly class Narrowing
{
    public const MAX_CHOICE = 200;
    /** More than one would ever choose; what an address has beyond them is not read. */
    public const MOST_CHOICES = 100;
    private const HIGHEST = 999_999_999;

    /** @var array<string, list<string>> by the key of the filter; both in one order, whatever order they were chosen in */
    public array $choices;

    /**
     * @param array<string, list<string>> $choices   values by the key of a filter, such as `maker` or `option.Sheet size`; a category by
     *            its id
     * @param int|null                    $priceFrom in the smallest unit of the currency, included
     * @param int|null                    $priceTo   in the smallest unit of the currency, included
     *
     * @throws Refused where a filter is none, or a price is no price
     */
    public function __construct(
        array $choices = [],
        public ?int $priceFrom = null,
        public ?int $priceTo = null,
        public bool $inStock = false,
    ) {
        if (null !== $priceFrom && null !== $priceTo && $priceTo < $priceFrom) {
            throw new Refused('narrowing', 'The highest price is below the lowest one. Change one of the two.');
        }
        if (($priceFrom ?? 0) < 0 || ($priceTo ?? 0) < 0) {
            throw new Refused('narrowing', 'A price cannot be below nothing.');
        }
        if (max($priceFrom ?? 0, $priceTo ?? 0) > self::HIGHEST) {
            throw new Refused('narrowing', \sprintf('A price is at most %s here.', self::decimal(self::HIGHEST)));
        }
        if (array_sum(array_map(\count(...), $choices)) > self::MOST_CHOICES) {
            throw new Refused('narrowing', \sprintf('At most %d choices can be made at once. Take some out.', self::MOST_CHOICES));
        }
        $sorted = [];
        foreach ($choices as $key => $values) {
            if (!Filter::named((string) $key)->kind->hasValues()) {
                throw new Refused('narrowing', 'Availability and price are no choices among values.');
            }
            foreach ($values as $value) {
                if (!self::canBeChosen($value)) {
                    throw new Refused('narrowing', \sprintf('A choice has from 1 to %d characters.', self::MAX_CHOICE));
                }
            }
            $values = array_values(array_unique($values, \SORT_STRING));
            sort($values, \SORT_STRING);
            if ([] !== $values) {
                $sorted[(string) $key] = $values;
            }
        }
        uksort($sorted, self::inAddresses(...));
        $this->choices = $sorted;
    }

    public function equals(self $other): bool
    {
        return $this->choices === $other->choices
            && $this->priceFrom === $other->priceFrom
            && $this->priceTo === $other->priceTo
            && $this->inStock === $other->inStock;
    }

    public function isNone(): bool
    {
        return [] === $this->choices && null === $this->priceFrom && null === $this->priceTo && !$this->inStock;
    }

    /** @return list<string> keys of the filters in which something is chosen */
    public function keys(): array
    {
        return [
            ...array_keys($this->choices),
            ...null === $this->priceFrom && null === $this->priceTo ? [] : [FilterKind::Price->value],
            ...$this->inStock ? [FilterKind::Availability->value] : [],
        ];
    }

    public function isChosen(string $key, string $value): bool
    {
        return \in_array($value, $this->choices[$key] ?? [], true);
    }

    /** Without a whole filter, or without one value of it. */
    public function without(string $key, ?string $value = null): self
    {
        return match ($key) {
            FilterKind::Price->value => new self($this->choices, null, null, $this->inStock),
            FilterKind::Availability->value => new self($this->choices, $this->priceFrom, $this->priceTo),
            default => $this->choosing([$key => null === $value ? [] : array_values(array_filter(
                $this->choices[$key] ?? [],
                static fn (string $one): bool => $one !== $value,
            ))] + $this->choices),
        };
    }

    /** @param array<string, list<string>> $choices */
    public function choosing(array $choices): self
    {
        return new self($choices, $this->priceFrom, $this->priceTo, $this->inStock);
    }

    /**
     * Only the choices that there are: what nobody knows narrows nothing.
     *
     * @param array<string, array<array-key, mixed>> $known by filter and value
     */
    public function among(array $known): self
    {
        $choices = [];
        foreach ($this->choices as $key => $values) {
            $choices[$key] = array_values(array_filter($values, static fn (string $value): bool => isset($known[$key][$value])));
        }

        return $this->choosing($choices);
    }

    /** @return list<string> ids of the categories that are chosen */
    public function categoryIds(): array
    {
        return $this->choices[FilterKind::Category->value] ?? [];
    }

    /**
     * Categories stand in addresses by their own, and here by their ids, which stay when the address changes.
     *
     * @param array<string, string> $names by what they were called; what is missing narrows nothing
     */
    public function callingCategories(array $names): self
    {
        $key = FilterKind::Category->value;

        return $this->choosing([$key => array_values(array_filter(array_map(
            static fn (string $one): ?string => $names[$one] ?? null,
            $this->choices[$key] ?? [],
        )))] + $this->choices);
    }

    /**
     * The query of an address, without `?`, as a form writes it (WHATWG URL, 5.2); empty where nothing is narrowed. What is the same
     * is written in the same way.
     *
     * @param array<string, string> $categories the address of each category, without the first slash, by its id
     */
    public function query(array $categories = []): string
    {
        $pairs = [];
        foreach ($this->callingCategories($categories)->choices as $key => $values) {
            foreach ($values as $value) {
                $pairs[] = [$key, $value];
            }
        }
        $rest = array_filter(
            [
                'price-from' => self::decimal($this->priceFrom),
                'price-to' => self::decimal($this->priceTo),
                'in-stock' => $this->inStock ? 'yes' : '',
            ],
            static fn (string $value): bool => '' !== $value,
        );
        foreach ($rest as $name => $value) {
            $pairs[] = [$name, $value];
        }
        usort($pairs, static fn (array $a, array $b): int => self::inAddresses($a[0], $b[0]) ?: strcmp($a[1], $b[1]));

        return implode('&', array_map(static fn (array $pair): string => urlencode($pair[0]).'='.urlencode($pair[1]), $pairs));
    }

    /**
     * What a visitor's query asks for, with categories by their addresses. What cannot be understood narrows nothing: an address
     * that somebody shortened still opens.
     *
     * @param string $query without `?`
     */
    public static function fromQuery(string $query): self
    {
        $choices = $old = [];
        $from = $to = null;
        $inStock = false;
        foreach (Query::fields($query) as [$name, $value]) {
            if (\in_array($name, ['option', 'choice'], true)) {
                $old[$name] = $value;
                continue;
            }
            match ($name) {
                'price-from' => $from = self::units($value) ?? $from,
                'price-to' => $to = self::units($value) ?? $to,
                'in-stock' => $inStock = $inStock || 'yes' === $value,
                default => $choices = self::withChoice($choices, $name, $value),
            };
        }
        // As it was written when a listing could be narrowed by one option only.
        if (isset($old['option'], $old['choice'])) {
            $choices = self::withChoice($choices, "option.{$old['option']}", $old['choice']);
        }

        return new self($choices, null !== $from && null !== $to && $to < $from ? null : $from, $to, $inStock);
    }

    /**
     * As it is said beside a title: "Hollin Mill or Ludd, up to 20, in stock".
     *
     * @param array<string, string> $categories the title of each category, by its id
     */
    public function words(array $categories = []): string
    {
        $said = [];
        foreach ($this->choices as $key => $values) {
            $filter = Filter::named($key);
            $names = FilterKind::Category === $filter->kind
                ? array_values(array_filter(array_map(static fn (string $id): ?string => $categories[$id] ?? null, $values)))
                : $values;
            $said[] = trim($filter->option.' '.implode(' or ', $names));
        }
        $said[] = self::priceWords($this->priceFrom, $this->priceTo);
        $said[] = $this->inStock ? 'in stock' : '';

        return implode(', ', array_filter($said, static fn (string $part): bool => '' !== $part));
    }

    /** "5 to 20", "from 5", "up to 20"; empty for every price. */
    public static function priceWords(?int $from, ?int $to): string
    {
        return match (true) {
            null !== $from && null !== $to => self::decimal($from).' to '.self::decimal($to),
            null !== $from => 'from '.self::decimal($from),
            null !== $to => 'up to '.self::decimal($to),
            default => '',
        };
    }

    /** As one types a price: 5, 5.50. */
    public static function decimal(?int $units): string
    {
        return match (true) {
            null === $units => '',
            0 === $units % 100 => (string) intdiv($units, 100),
            default => \sprintf('%d.%02d', intdiv($units, 100), $units % 100),
        };
    }

    /**
     * @param array<string, list<string>> $choices
     *
     * @return array<string, list<string>> the same where it is no choice, or one too many
     */
    private static function withChoice(array $choices, string $key, string $value): array
    {
        if (
            self::canBeChosen($value)
            && true === Filter::tryNamed($key)?->kind->hasValues()
            && array_sum(array_map(\count(...), $choices)) < self::MOST_CHOICES
        ) {
            $choices[$key][] = $value;
        }

        return $choices;
    }

    private static function units(string $typed): ?int
    {
        return 1 === preg_match('/^(\d{1,7})(?:[.,](\d{1,2}))?$/D', trim($typed), $found)
            ? 100 * (int) $found[1] + (int) str_pad($found[2] ?? '', 2, '0')
            : null;
    }

    private static function canBeChosen(string $value): bool
    {
        return '' !== $value && mb_strlen($value) <= self::MAX_CHOICE && !str_contains($value, "\0") && mb_check_encoding($value, 'UTF-8');
    }

    /** The one order in which filters stand in an address: makers, tags, categories, price, stock, then options by name. */
    private static function inAddresses(string $a, string $b): int
    {
        $order = ['maker', 'tag', 'category', 'price-from', 'price-to', 'in-stock'];
        $place = static fn (string $key): int => false === ($at = array_search($key, $order, true)) ? \count($order) : $at;

        return $place($a) <=> $place($b) ?: strcmp($a, $b);
    }
}

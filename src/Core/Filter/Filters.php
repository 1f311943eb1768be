<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

use Lantern\Core\Refused;

/** Which filters the listings of a shop have, in which order, and how they are worded. Kept in settings of the shop. */
final readonly class Filters
{
    /** The setting with the filters of all listings, and that with those of search results. */
    public const EVERYWHERE = 'filters';
    public const SEARCH = 'filters_search';
    /** What the setting of one filter begins with. */
    public const ONE = 'filter.';
    public const MOST = 20;
    /** What a shop begins with. */
    private const USUAL = ['in-stock', 'price', 'tag'];

    /**
     * @param list<Filter>                 $everywhere
     * @param list<Filter>                 $search
     * @param array<string, FilterSetting> $settings   by key
     */
    private function __construct(public array $everywhere, public array $search, private array $settings)
    {
    }

    /** @param array<string, string> $settings of the shop, by name */
    public static function of(array $settings): self
    {
        $everywhere = self::read($settings[self::EVERYWHERE] ?? '') ?? array_map(Filter::named(...), self::USUAL);
        $worded = [];
        foreach ($settings as $name => $value) {
            if (str_starts_with((string) $name, self::ONE)) {
                $worded[substr((string) $name, \strlen(self::ONE))] = FilterSetting::fromStored($value);
            }
        }

        return new self($everywhere, self::read($settings[self::SEARCH] ?? '') ?? $everywhere, $worded);
    }

    /**
     * The filters of a place's listing.
     *
     * @param string $own as `chosen` gives it; empty: as everywhere
     *
     * @return list<Filter>
     */
    public function ofPlace(string $own): array
    {
        return self::read($own) ?? $this->everywhere;
    }

    public function setting(string $key): FilterSetting
    {
        return $this->settings[$key] ?? new FilterSetting();
    }

    public function label(Filter $filter): string
    {
        return $this->setting($filter->key())->label ?: $filter->title();
    }

    /** Values that mean the same, by the one that stands for them: {@see FilterSetting::canonical()}. */
    public function canonical(Narrowing $narrowing): Narrowing
    {
        return $narrowing->choosing($this->each(
            $narrowing,
            static fn (FilterSetting $setting, string $value): array => [$setting->canonical($value)],
        ));
    }

    /**
     * Every value that the product system may have for what is chosen.
     *
     * @return array<string, list<string>> by key
     */
    public function valuesOf(Narrowing $narrowing): array
    {
        return $this->each($narrowing, static fn (FilterSetting $setting, string $value): array => $setting->alike($value));
    }

    /**
     * The keys of a list as it is kept.
     *
     * @return list<string>|null null where nothing was chosen
     */
    public static function keys(string $stored): ?array
    {
        $filters = self::read($stored);

        return null === $filters ? null : array_map(static fn (Filter $filter): string => $filter->key(), $filters);
    }

    /**
     * Filters as a setting keeps them.
     *
     * @param list<string> $keys
     *
     * @throws Refused where one is none, stands twice, or there are too many
     */
    public static function chosen(array $keys): string
    {
        if (\count($keys) > self::MOST) {
            throw new Refused('filters', \sprintf('A listing has at most %d filters. Take some out.', self::MOST));
        }
        $keys = array_map(static fn (string $key): string => Filter::named($key)->key(), $keys);
        if (\count(array_unique($keys, \SORT_STRING)) < \count($keys)) {
            throw new Refused('filters', 'A filter stands there twice. Take one of the two out.');
        }

        return json_encode($keys, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
    }

    /** Whether a setting of the shop is about filters. */
    public static function isSetting(string $name): bool
    {
        return self::EVERYWHERE === $name
            || self::SEARCH === $name
            || (str_starts_with($name, self::ONE) && null !== Filter::tryNamed(substr($name, \strlen(self::ONE))));
    }

    /** @return list<Filter>|null null where nothing was chosen */
    private static function read(string $stored): ?array
    {
        $keys = '' === $stored ? null : json_decode($stored, true);

        return \is_array($keys)
            ? array_values(array_filter(array_map(
                static fn (mixed $key): ?Filter => \is_string($key) ? Filter::tryNamed($key) : null,
                $keys,
            )))
            : null;
    }

    /**
     * @param \Closure(FilterSetting, string): list<string> $values
     *
     * @return array<string, list<string>>
     */
    private function each(Narrowing $narrowing, \Closure $values): array
    {
        $choices = [];
        foreach ($narrowing->choices as $key => $chosen) {
            $choices[$key] = array_merge(...array_map(fn (string $value): array => $values($this->setting($key), $value), $chosen));
        }

        return $choices;
    }
}

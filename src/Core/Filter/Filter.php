<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

use Lantern\Core\Refused;

/** A property by which a visitor narrows a listing. It is known by its key, the name that it has in addresses. */
final readonly class Filter
{
    public const MAX_NAME = 100;
    private const OPTION = 'option.';

    private function __construct(public FilterKind $kind, public string $option = '')
    {
    }

    /** One that is no option. */
    public static function by(FilterKind $kind): self
    {
        return FilterKind::Option === $kind ? throw new \LogicException('An option has a name.') : new self($kind);
    }

    /** @throws Refused where no product can have an option of that name */
    public static function option(string $name): self
    {
        if ('' === trim($name) || mb_strlen($name) > self::MAX_NAME || !mb_check_encoding($name, 'UTF-8') || str_contains($name, "\0")) {
            throw new Refused('filter', \sprintf('An option is known by a name of at most %d characters.', self::MAX_NAME));
        }

        return new self(FilterKind::Option, $name);
    }

    /** @throws Refused where there is no such filter */
    public static function named(string $key): self
    {
        if (str_starts_with($key, self::OPTION)) {
            return self::option(substr($key, \strlen(self::OPTION)));
        }
        $kind = FilterKind::tryFrom($key);

        return null === $kind || FilterKind::Option === $kind
            ? throw new Refused(
                'filter',
                \sprintf('There is no filter called “%s”. Choose one of those that are shown.', mb_strimwidth($key, 0, 60, '…')),
            )
                : new self($kind);
    }

    /** The same; null where there is none. */
    public static function tryNamed(string $key): ?self
    {
        try {
            return self::named($key);
        } catch (Refused) {
            return null;
        }
    }

    /** Such as `maker` or `option.Sheet size`. */
    public function key(): string
    {
        return FilterKind::Option === $this->kind ? self::OPTION.$this->option : $this->kind->value;
    }

    /** As it is headed where nobody has relabelled it. */
    public function title(): string
    {
        return FilterKind::Option === $this->kind ? $this->option : $this->kind->title();
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Shop;

use Lantern\Core\Looks\Looks;

/** What the shop says of itself, and how it is set up: one copy of it, read once. */
final readonly class Settings
{
    /** @param array<string, string> $values by name */
    public function __construct(public array $values = [])
    {
    }

    /** Empty where it was never typed. */
    public function get(string $name): string
    {
        return $this->values[$name] ?? '';
    }

    /** @return array<string, string> all that is known, and every detail that is not, as nothing */
    public function filled(): array
    {
        return $this->values + array_fill_keys(array_column(ShopDetail::cases(), 'value'), '');
    }

    public function name(): string
    {
        return $this->get(ShopDetail::Name->value);
    }

    public function looks(): Looks
    {
        return Looks::of($this->values);
    }

    /** In which people of the shop type and read dates; UTC until they choose. */
    public function zone(): \DateTimeZone
    {
        $name = $this->get(ShopDetail::TimeZone->value);

        return new \DateTimeZone(ShopDetail::isTimeZone($name) ? $name : 'UTC');
    }
}

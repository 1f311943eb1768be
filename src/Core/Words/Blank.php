<?php

declare(strict_types=1);

namespace Lantern\Core\Words;

/** A named blank in a text: it shows a detail of the shop, and follows when that changes. */
enum Blank: string
{
    case Shop = 'shop';
    case Company = 'company';
    case Mail = 'mail';
    case Country = 'country';
    case DaysToReturn = 'days-to-return';

    /** The shop's detail that fills it. */
    public function detail(): string
    {
        return match ($this) {
            self::Shop => 'name',
            self::DaysToReturn => 'days_to_return',
            default => $this->value,
        };
    }

    /** Whether a blank shows this detail of the shop. */
    public static function isFilledBy(string $detail): bool
    {
        return \in_array($detail, array_map(static fn (self $blank): string => $blank->detail(), self::cases()), true);
    }

    public function words(): string
    {
        return match ($this) {
            self::Shop => 'name of the shop',
            self::Company => 'company',
            self::Mail => 'mail address',
            self::Country => 'country',
            self::DaysToReturn => 'days to return',
        };
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

/** In which order the products of a listing stand. */
enum ListingOrder: string
{
    /** As the shop lays it out: by title, by hand in a collection that is picked, by what fits best in a search. */
    case Laid = '';
    case Price = 'price';
    case PriceDown = 'price-down';
    case Name = 'name';
    case Newest = 'newest';

    public static function asked(string $typed): self
    {
        return self::tryFrom($typed) ?? self::Laid;
    }

    public function words(): string
    {
        return match ($this) {
            self::Laid => 'as laid out',
            self::Price => 'lowest price first',
            self::PriceDown => 'highest price first',
            self::Name => 'by name',
            self::Newest => 'newest first',
        };
    }
}

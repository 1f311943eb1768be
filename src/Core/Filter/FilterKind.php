<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

/** By what visitors may narrow a listing. The value is the name in addresses; that of an option has the option's own name behind it. */
enum FilterKind: string
{
    case Availability = 'in-stock';
    case Price = 'price';
    case Category = 'category';
    case Maker = 'maker';
    case Tag = 'tag';
    case Option = 'option';

    /** Whether one chooses among values that products have; else it is one question, or a range. */
    public function hasValues(): bool
    {
        return self::Availability !== $this && self::Price !== $this;
    }

    /** As it is headed where nobody has relabelled it. */
    public function title(): string
    {
        return match ($this) {
            self::Availability => 'Availability',
            self::Price => 'Price',
            self::Category => 'Category',
            self::Maker => 'Maker',
            self::Tag => 'Tag',
            self::Option => 'Option',
        };
    }
}

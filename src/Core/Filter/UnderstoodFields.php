<?php

declare(strict_types=1);

namespace Lantern\Core\Filter;

use Lantern\Core\Address\Query;

/** What a page of the shop understands of a query. Whatever else stands there, a campaign's mark say, makes no other page of it. */
final class UnderstoodFields
{
    private const NAMES = ['q', 'sort', 'after', 'price-from', 'price-to', 'in-stock', 'maker', 'tag', 'category', 'option', 'choice'];

    /** @param string $query without `?` */
    public static function anyIn(string $query): bool
    {
        foreach (Query::fields($query) as [$name]) {
            if (str_starts_with($name, 'option.') || \in_array($name, self::NAMES, true)) {
                return true;
            }
        }

        return false;
    }
}

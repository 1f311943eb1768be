<?php

declare(strict_types=1);

namespace Lantern\Reading\Catalogue;

use Lantern\Core\Filter\FilterKind;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\Narrowing;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\SqlFragment;

/** What is chosen in filters, as SQL over the postings of the catalogue. */
final class Postings
{
    public const NONE = '(SELECT none FROM room)';

    /** What nobody knows leaves all. */
    public static function of(Narrowing $narrowing, Filters $filters): NarrowedBits
    {
        $values = $filters->valuesOf($narrowing);
        $sql = $parameters = [];
        foreach ($narrowing->keys() as $n => $key) {
            $sql[$key] = match ($key) {
                FilterKind::Price->value => implode(' & ', array_filter([
                    null === $narrowing->priceTo ? '' : 'catalogue.priced_up_to(:price_to)',
                    0 === ($narrowing->priceFrom ?? 0) ? '' : '~catalogue.priced_up_to(:price_below)',
                ])) ?: '~'.self::NONE,
                // A category is known by its place, not by its products.
                FilterKind::Category->value => self::or(
                    "p.filter = 'category' AND p.choice = ANY (ARRAY(WITH RECURSIVE tree AS (SELECT unnest(CAST(:chosen_$n AS uuid[])) "
                        .'AS id'
                        .ShopReader::BELOW.'SELECT CAST(id AS text) FROM tree))',
                    self::NONE,
                ),
                FilterKind::Availability->value => self::or("p.filter = 'in-stock' AND p.choice = 'yes'", self::NONE),
                default => self::or("p.filter = :filter_$n AND p.choice = ANY (CAST(:chosen_$n AS text[]))", '~'.self::NONE),
            };
            if (isset($values[$key])) {
                $parameters["chosen_$n"] = PgArray::of($values[$key]);
                $parameters += FilterKind::Category->value === $key ? [] : ["filter_$n" => $key];
            }
        }

        return new NarrowedBits(
            $sql,
            $parameters + (null === $narrowing->priceTo ? [] : ['price_to' => $narrowing->priceTo]) + (
                0 === ($narrowing->priceFrom ?? 0) ? [] : ['price_below' => $narrowing->priceFrom - 1]
            ),
        );
    }

    /** A condition on a product f. */
    public static function condition(Narrowing $narrowing, Filters $filters): SqlFragment
    {
        $bits = self::of($narrowing, $filters);

        return new SqlFragment(
            implode(
                ' AND ',
                [
                    'true',
                    ...array_map(static fn (string $one): string => "get_bit((SELECT $one), f.seat) = 1", array_values($bits->byFilter)),
                ],
            ),
            $bits->parameters,
        );
    }

    private static function or(string $where, string $otherwise): string
    {
        return "COALESCE((SELECT bit_or(p.seats) FROM posting p WHERE $where), $otherwise)";
    }
}

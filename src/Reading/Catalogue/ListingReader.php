<?php

declare(strict_types=1);

namespace Lantern\Reading\Catalogue;

use Doctrine\DBAL\Connection;
use Lantern\Core\Filter\Counts;
use Lantern\Core\Filter\Filter;
use Lantern\Core\Filter\FilterKind;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\ListingOrder;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Visitor;
use Lantern\Reading\Places\PlaceConditions;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;
use Lantern\Reading\Sql\SqlFragment;

/**
 * Narrows listings and counts what each further choice would leave, with rows of bits (see the postings of the catalogue): the work
 * grows with the number of choices, hardly with that of products. `Counts::of` says what it has to find; a test holds the two
 * against each other.
 */
final readonly class ListingReader
{
    /** So many products are read whole and put in order; more are walked in their order until a page is full. */
    private const FEW = 2000;

    public function __construct(private Connection $connection)
    {
    }

    /** Without choices that nobody knows: they narrow nothing. */
    public function known(Narrowing $asked, Filters $filters): Narrowing
    {
        if ([] === $asked->choices) {
            return $asked;
        }
        $known = ['category' => array_fill_keys($asked->categoryIds(), true)];
        $pairs = [];
        foreach ($filters->valuesOf($asked) as $key => $values) {
            foreach ('category' === $key ? [] : $values as $value) {
                $pairs[] = [$key, $value];
            }
        }
        $rows = [] === $pairs
            ? []
            : $this->connection->fetchAllNumeric(<<<'SQL'
                SELECT filter, choice FROM posting
                JOIN unnest(CAST(:filters AS text[]), CAST(:choices AS text[])) AS asked (filter, choice) USING (filter, choice)
                SQL, ['filters' => PgArray::of(array_column($pairs, 0)), 'choices' => PgArray::of(array_column($pairs, 1))]);
        foreach ($rows as [$key, $value]) {
            if (\is_string($key) && \is_string($value)) {
                $known[$key][$filters->setting($key)->canonical($value)] = true;
            }
        }

        return $filters->canonical($asked)->among($known);
    }

    /**
     * @param Narrowing    $narrowing  only of what is known
     * @param list<Filter> $asked      filters of the listing; those in which something is chosen are counted, too
     * @param list<string> $categories ids of those that may be chosen
     *
     * @see Counts::of()
     */
    public function counts(
        Listing $listing,
        Narrowing $narrowing,
        array $asked,
        Filters $filters,
        array $categories,
        Visitor $visitor,
    ): Counts {
        $keys = array_values(array_unique(
            [...array_map(static fn (Filter $filter): string => $filter->key(), $asked), ...$narrowing->keys()],
            \SORT_STRING,
        ));
        $left = $this->narrowed($listing, $narrowing, $filters, $visitor);
        [$with, $parameters, $chosen] = [$left->with->sql, $left->with->parameters, $left->chosen];
        $others = [];
        foreach ($chosen as $n => $key) {
            $without = array_map(static fn (int $m): string => " & c$m.seats", array_values(array_diff(array_keys($chosen), [$n])));
            $others[] = 'CAST(laid.seats'.implode('', $without)." AS varbit) AS without_$n";
        }
        $tables = implode(', ', ['laid', 'remaining', ...array_map(static fn (int $n): string => "c$n", array_keys($chosen))]);
        $with .= ', bases AS MATERIALIZED (SELECT '.implode(', ', ['CAST(remaining.seats AS varbit) AS seats', ...$others])
            ." FROM $tables)";
        $base = static fn (string $key): string => false === ($n = array_search($key, $chosen, true)) ? 'bases.seats' : "bases.without_$n";

        $parts = ["SELECT '' AS filter, '' AS choice, bit_count(bases.seats) AS products FROM bases"];
        foreach (array_keys($chosen) as $n) {
            $parts[] = "SELECT CAST(:k$n AS text), '', bit_count(bases.without_$n) FROM bases";
            $parameters["k$n"] = $chosen[$n];
        }
        $plain = $together = [];
        foreach ($keys as $key) {
            match ($key) {
                FilterKind::Price->value => $parts[] = <<<SQL
                    SELECT 'price', e.end, catalogue.price_at_end({$base($key)}, e.end = 'highest')
                    FROM bases, (VALUES ('lowest'), ('highest')) AS e ("end")
                    SQL,
                FilterKind::Category->value => $parts[] = self::inCategories($base($key)),
                default => [] === $filters->setting($key)->same ? $plain[] = $key : $together[] = $key,
            };
        }
        if (\in_array(FilterKind::Category->value, $keys, true)) {
            $parameters['tops'] = PgArray::of(array_values(array_unique([...$categories, ...$narrowing->categoryIds()])));
        }
        $of = self::baseOf($chosen, 'p.filter');
        if ([] !== $plain) {
            $parts[] = <<<SQL
                SELECT p.filter, p.choice, bit_count(p.seats & $of) FROM posting p, bases WHERE p.filter = ANY (CAST(:plain AS text[]))
                SQL;
            $parameters['plain'] = PgArray::of($plain);
        }
        if ([] !== $together) {
            $parts[] = <<<SQL
                SELECT p.filter, p.choice, bit_count(p.seats & $of)
                FROM (SELECT filter, COALESCE(same.stands, choice) AS choice, CAST(bit_or(seats) AS varbit) AS seats FROM posting
                LEFT JOIN jsonb_to_recordset(CAST(:same AS jsonb)) AS same (filter text, choice text, stands text)
                USING (filter, choice) WHERE filter = ANY (CAST(:together AS text[])) GROUP BY 1, 2) p, bases
                SQL;
            $parameters['together'] = PgArray::of($together);
            $parameters['same'] = json_encode(self::same($together, $filters), \JSON_THROW_ON_ERROR);
        }

        return self::counted(
            $this->connection->fetchAllAssociative("$with ".implode(' UNION ALL ', $parts), $parameters),
            $keys,
            $narrowing,
        );
    }

    /**
     * A page of a narrowed listing.
     *
     * @param int         $total of products that are left, as was counted
     * @param string|null $after id of the product that the page before ended with; where there is none of that id, the first page
     *
     * @return list<string> ids of products; one more than `most` where there is a next page
     */
    public function page(
        Listing $listing,
        Narrowing $narrowing,
        Filters $filters,
        ListingOrder $order,
        int $total,
        ?string $after,
        int $most,
        Visitor $visitor,
    ): array {
        [$from, $columns] = $listing->order($order);
        $with = $this->narrowed($listing, $narrowing, $filters, $visitor)->with;
        $id = $columns[\count($columns) - 1][0];
        $where = new SqlFragment(
            $total <= self::FEW
                ? 'o.seat = ANY (ARRAY(SELECT catalogue.seats_in(remaining.seats) FROM remaining))'
                : 'get_bit(remaining.seats, o.seat) = 1',
            $with->parameters,
        );
        $last = null === $after ? null : $this->cursor($from, $columns, $after, $listing);
        if (null !== $last) {
            $where = $where->andAlso(self::beyond($columns, $last));
        }
        $by = implode(', ', array_map(static fn (array $column): string => $column[0].($column[1] ? ' DESC' : ''), $columns));
        $ids = $this->connection->fetchFirstColumn(
            "{$with->sql} SELECT $id FROM remaining, $from WHERE {$where->sql} ORDER BY $by LIMIT ".($most + 1),
            $where->parameters,
        );

        return array_values(array_filter($ids, \is_string(...)));
    }

    /**
     * Where a product stands in an order, whether it is still in the listing or not.
     *
     * @param list<array{string, bool}> $columns
     *
     * @return list<mixed>|null
     */
    private function cursor(string $from, array $columns, string $after, Listing $listing): ?array
    {
        $names = array_column($columns, 0);
        $parameters = array_filter(
            $listing->parameters,
            static fn (string $name): bool => str_contains($from.$listing->found, ":$name"),
            \ARRAY_FILTER_USE_KEY,
        );
        $row = $this->connection->fetchNumeric(
            ('' === $listing->found ? '' : "WITH {$listing->found} ").'SELECT '.implode(', ', $names)." FROM $from WHERE ".end($names)
                .' = :after',
            ['after' => $after] + $parameters,
        );

        return false === $row ? null : $row;
    }

    /**
     * @param list<array{string, bool}> $columns
     * @param list<mixed>               $last    values of them
     */
    private static function beyond(array $columns, array $last): SqlFragment
    {
        $parameters = array_combine(array_map(static fn (int $n): string => "after_$n", array_keys($last)), $last);
        $names = implode(', ', array_column($columns, 0));
        $values = ':'.implode(', :', array_keys($parameters));
        if (1 === \count(array_unique(array_column($columns, 1)))) {
            return new SqlFragment("($names) ".($columns[0][1] ? '<' : '>')." ($values)", $parameters);
        }

        $steps = [];
        foreach ($columns as $n => [$column, $down]) {
            $same = array_map(
                static fn (int $m): string => "{$columns[$m][0]} = :after_$m AND ",
                \array_slice(array_keys($columns), 0, $n),
            );
            $steps[] = implode('', $same)."$column ".($down ? '<' : '>')." :after_$n";
        }

        // What the first column leaves out need not be looked at.
        return new SqlFragment($columns[0][0].($columns[0][1] ? ' <= ' : ' >= ').':after_0 AND ('.implode(' OR ', $steps).')', $parameters);
    }

    private function narrowed(Listing $listing, Narrowing $narrowing, Filters $filters, Visitor $visitor): LeftOfListing
    {
        $parameters = $listing->parameters + PlaceConditions::visitor($visitor);
        $ctes = [
            ...'' === $listing->found ? [] : [$listing->found],
            "visible AS MATERIALIZED (SELECT CAST(COALESCE((SELECT bit_or(seats) FROM shown WHERE audience IN ('everyone', :audience)), "
                .'none) | COALESCE((SELECT catalogue.bits_of(array_agg(f.seat), length(room.none)) FROM place p JOIN product f ON f.id = '
                ."p.id WHERE p.kind = 'product' AND (p.opens_on IS NOT NULL OR p.closes_on IS NOT NULL) AND "
                .PlaceConditions::SHOWN.' HAVING count(*) > 0), none) AS varbit) AS seats FROM room)',
            "laid AS MATERIALIZED (SELECT CAST(visible.seats & {$listing->seats} AS varbit) AS seats FROM visible, room)",
        ];
        $bits = Postings::of($narrowing, $filters);
        $chosen = array_keys($bits->byFilter);
        foreach (array_values($bits->byFilter) as $n => $sql) {
            $ctes[] = "c$n AS MATERIALIZED (SELECT CAST($sql AS varbit) AS seats)";
        }
        $parameters += $bits->parameters;
        $all = implode('', array_map(static fn (int $n): string => " & c$n.seats", array_keys($chosen)));
        $tables = implode(', ', ['laid', ...array_map(static fn (int $n): string => "c$n", array_keys($chosen))]);
        $ctes[] = "remaining AS MATERIALIZED (SELECT CAST(laid.seats$all AS varbit) AS seats FROM $tables)";

        return new LeftOfListing(new SqlFragment('WITH '.implode(', ', $ctes), $parameters), $chosen);
    }

    /** @param string $base bits of what is left by the other filters */
    private static function inCategories(string $base): string
    {
        return <<<SQL
            SELECT 'category', CAST(below.top AS text), bit_count(bit_or(COALESCE(p.seats, room.none)) & (SELECT $base FROM bases))
            FROM (WITH RECURSIVE tree AS (
                SELECT t.id AS top, t.id FROM unnest(CAST(:tops AS uuid[])) AS t (id)
                UNION SELECT tree.top, c.id FROM place c JOIN tree ON c.parent_id = tree.id WHERE c.kind = 'category'
            ) SELECT top, id FROM tree) below
            CROSS JOIN room LEFT JOIN posting p ON p.filter = 'category' AND p.choice = CAST(below.id AS text) GROUP BY below.top
            SQL;
    }

    /**
     * @param list<string> $chosen
     *
     * @return string SQL of the bits of what is left by all filters but the one that a column names
     */
    private static function baseOf(array $chosen, string $column): string
    {
        $cases = array_map(static fn (int $n): string => " WHEN :k$n THEN bases.without_$n", array_keys($chosen));

        return [] === $cases ? 'bases.seats' : "CASE $column".implode('', $cases).' ELSE bases.seats END';
    }

    /**
     * @param list<string> $keys
     *
     * @return list<array{filter: string, choice: string, stands: string}>
     */
    private static function same(array $keys, Filters $filters): array
    {
        $same = [];
        foreach ($keys as $key) {
            foreach ($filters->setting($key)->same as $choice => $stands) {
                $same[] = ['filter' => $key, 'choice' => (string) $choice, 'stands' => $stands];
            }
        }

        return $same;
    }

    /**
     * @param list<array<string, mixed>> $rows
     * @param list<string>               $keys
     */
    private static function counted(array $rows, array $keys, Narrowing $narrowing): Counts
    {
        $total = 0;
        $ends = [];
        $without = [];
        $choices = [];
        foreach ($rows as $columns) {
            $row = new Row($columns);
            [$key, $choice, $products] = [$row->text('filter'), $row->text('choice'), $row->intOrNull('products')];
            if ('' === $key) {
                $total = (int) $products;
            } elseif ('price' === $key && '' !== $choice) {
                $ends[$choice] = $products;
            } elseif ('' === $choice) {
                $without[$key] = (int) $products;
            } elseif ($products > 0) {
                $choices[$key][$choice] = $products;
            }
        }
        foreach ($keys as $key) {
            $without[$key] ??= $total;
            $chosen = FilterKind::Availability->value === $key && $narrowing->inStock ? ['yes'] : $narrowing->choices[$key] ?? [];
            $choices[$key] = ($choices[$key] ?? []) + array_fill_keys($chosen, 0);
        }
        unset($choices[FilterKind::Price->value]);

        return new Counts($total, $without, $choices, $ends['lowest'] ?? null, $ends['highest'] ?? null);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Reading\Catalogue;

use Doctrine\DBAL\Connection;
use Lantern\Core\Filter\Filter;
use Lantern\Core\Filter\FilterKind;
use Lantern\Core\Filter\FilterSetting;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Reading\Sql\Row;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** What the product system has for filters to offer, for whoever chooses among them. */
final readonly class KnownChoices
{
    /** A shop with more options than these has something else in them. */
    private const MOST_OPTIONS = 100;
    private const MOST_OWN = 200;

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** @return array<string, int> how many choices there are, by the key of each filter that a listing could have */
    public function filters(): array
    {
        $found = ['in-stock' => 1, 'price' => 0, 'category' => 0, 'maker' => 0, 'tag' => 0];
        $rows = $this->connection->fetchAllAssociative(
            <<<'SQL'
                SELECT filter, count(*) AS choices FROM posting WHERE filter IN ('maker', 'tag') OR filter LIKE 'option.%'
                GROUP BY filter UNION ALL SELECT 'category', count(*) FROM place WHERE kind = 'category' ORDER BY filter LIMIT
                SQL
                .' '.(self::MOST_OPTIONS + 3),
        );
        foreach ($rows as $columns) {
            $row = new Row($columns);
            if (null !== Filter::tryNamed($row->text('filter'))) {
                $found[$row->text('filter')] = $row->int('choices');
            }
        }

        return $found;
    }

    /** @return list<OwnFilters> the places whose listing has filters of its own, by title */
    public function own(): array
    {
        return array_map(static function (array $columns): OwnFilters {
            $row = new Row($columns);

            return new OwnFilters(PlaceReader::fromRow($columns), $row->int('version'), $row->text('filters'));
        }, $this->connection->fetchAllAssociative(
            'SELECT '.PlaceReader::COLUMNS.", version, filters FROM place WHERE filters <> '' ORDER BY title COLLATE by_name, id LIMIT "
                .self::MOST_OWN,
        ));
    }

    /** @return array<string, int> how many products have each value, in a row of numbers and letters; an id for each category */
    public function of(Filter $filter): array
    {
        $sql = FilterKind::Category === $filter->kind
            ? <<<'SQL'
                SELECT p.id AS choice, COALESCE(bit_count(f.seats), 0) AS products FROM place p
                LEFT JOIN posting f ON f.filter = 'category' AND f.choice = CAST(p.id AS text) WHERE p.kind = 'category'
                AND :filter <> '' ORDER BY p.address
                SQL
            : 'SELECT choice, bit_count(seats) AS products FROM posting WHERE filter = :filter ORDER BY choice';
        $found = [];
        foreach ($this->connection->fetchAllAssociative(
            $sql.' LIMIT '.FilterSetting::MOST_VALUES,
            ['filter' => $filter->key()],
        ) as $columns) {
            $row = new Row($columns);
            $found[$row->text('choice')] = $row->int('products');
        }

        return $found;
    }
}

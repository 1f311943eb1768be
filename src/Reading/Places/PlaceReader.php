<?php

declare(strict_types=1);

namespace Lantern\Reading\Places;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\Opening;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\PlaceLookup;
use Lantern\Core\Place\SearchListing;
use Lantern\Core\Place\Serving;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;

/** Places of one copy, as values of the core. */
final class PlaceReader implements PlaceLookup
{
    public const COLUMNS = 'id, kind, title, address, parent_id, light, opens_on, closes_on, audience, closed_answer, closed_to, listed, '
        .'listing_title, listing_description, serving';

    public function __construct(private readonly Connection $connection)
    {
    }

    public function at(Address $address): ?Place
    {
        return $this->one('address = ?', $address->path);
    }

    /**
     * @param list<Address> $addresses
     *
     * @return array<string, Place> by address; where none is, it is left out
     */
    public function atAll(array $addresses): array
    {
        $places = [] === $addresses
            ? []
            : $this->places(
                'address = ANY (CAST(:paths AS text[]))',
                ['paths' => PgArray::of(array_map(static fn (Address $address): string => $address->path, $addresses))],
            );

        return array_combine(array_map(static fn (Place $place): string => $place->address->path, $places), $places);
    }

    /** What was asked for, with its categories, which may be said by their addresses, as ids. */
    public function knowingCategories(Narrowing $asked): Narrowing
    {
        $paths = $asked->categoryIds();
        $ids = [];
        foreach ([] === $paths ? [] : $this->places(
            "kind = 'category' AND (address = ANY (CAST(:paths AS text[])) OR id = ANY (CAST(:ids AS uuid[])))",
            [
                'ids' => PgArray::of(array_filter(
                    $paths,
                    static fn (string $path): bool => 1 === preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D', $path),
                )),
                'paths' => PgArray::of(array_map(static fn (string $path): string => "/$path", $paths)),
            ],
        ) as $place) {
            $ids[ltrim($place->address->path, '/')] = $ids[$place->id] = $place->id;
        }

        return $asked->callingCategories($ids);
    }

    public function get(string $id): ?Place
    {
        return $this->one('id = ?', $id);
    }

    public function fixed(PlaceKind $kind): ?Place
    {
        return $this->one('kind = ?', $kind->value);
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, Place> by id; what is not there is left out
     */
    public function byIds(array $ids): array
    {
        return [] === $ids ? [] : $this->places('id = ANY (CAST(:ids AS uuid[]))', ['ids' => PgArray::of($ids)]);
    }

    /**
     * Every place that the entries of these menus refer to.
     *
     * @param list<string> $menuIds
     *
     * @return array<string, Place> by id
     */
    public function referredToByMenus(array $menuIds): array
    {
        return [] === $menuIds
            ? []
            : $this->places(
                'id = ANY (ARRAY(SELECT place_id FROM entry WHERE menu_id = ANY (CAST(:ids AS uuid[])) UNION SELECT '
                    ."CAST(jsonb_array_elements_text(narrowing #> '{choices,category}') AS uuid) FROM entry WHERE menu_id = ANY "
                    ."(CAST(:ids AS uuid[])) AND narrowing #> '{choices,category}' IS NOT NULL))",
                ['ids' => PgArray::of($menuIds)],
            );
    }

    /**
     * @param list<Address> $addresses
     *
     * @return array<string, Place> by id: all whose address stands below one of these
     */
    public function belowAny(array $addresses): array
    {
        return [] === $addresses ? [] : $this->places('id IN (SELECT b.id FROM unnest(CAST(:paths AS text[])) path JOIN place b ON '
            .'b.address > path COLLATE "C" || \'/\' AND b.address < path COLLATE "C" || \'0\')', [
                'paths' => PgArray::of(array_map(static fn (Address $address): string => $address->path, $addresses)),
            ]);
    }

    /**
     * @param list<Address> $addresses
     */
    public function countBelowAny(array $addresses): int
    {
        $count = $this->connection->fetchOne(<<<'SQL'
            SELECT count(DISTINCT b.id) FROM unnest(CAST(:paths AS text[])) path JOIN place b ON b.address > path COLLATE "C" || '/'
            AND b.address < path COLLATE "C" || '0'
            SQL, [
            'paths' => PgArray::of(array_map(static fn (Address $address): string => $address->path, $addresses)),
        ]);

        return is_numeric($count) ? (int) $count : 0;
    }

    /** @return list<Place> the files with these bytes */
    public function filesStoredAs(string $stored): array
    {
        return array_values($this->places("kind = 'file' AND file ->> 'stored' = :stored", ['stored' => $stored]));
    }

    /** @return list<Place> what stands directly below a place, in its own order */
    public function childrenOf(string $parentId, int $most): array
    {
        return array_values($this->places(
            'parent_id = :parent',
            ['parent' => $parentId],
            "position, title COLLATE by_name, id LIMIT $most",
        ));
    }

    /** The last position among the places of a kind below a parent; 0 where there are none. */
    public function lastPosition(PlaceKind $kind, ?string $parentId): int
    {
        $last = $this->connection->fetchOne(<<<'SQL'
            SELECT max(position) FROM place WHERE kind = ? AND parent_id IS NOT DISTINCT FROM CAST(? AS uuid)
            SQL, [$kind->value, $parentId]);

        return is_numeric($last) ? (int) $last : 0;
    }

    /** @return list<Place> the place's parent, the parent's parent and so on; nearest first */
    public function above(Place $place): array
    {
        return $this->upFrom($place->parentId, false);
    }

    /** @return list<Place> a place, those above it, and the front page as the last */
    public function trail(?string $nearestId): array
    {
        return $this->upFrom($nearestId, true);
    }

    /** @return list<Place> */
    private function upFrom(?string $nearestId, bool $withFront): array
    {
        $columns = preg_replace('/\b(\w+)\b/', 'p.$1', self::COLUMNS);
        $front = $withFront ? "UNION ALL SELECT $columns, 99 AS distance FROM place p WHERE p.kind = 'front-page'" : '';
        $rows = $this->connection->fetchAllAssociative(<<<SQL
            WITH RECURSIVE above AS (
                SELECT p.*, 1 AS distance FROM place p WHERE p.id = ?
                UNION ALL
                SELECT p.*, a.distance + 1 FROM place p JOIN above a ON p.id = a.parent_id WHERE a.distance < 20
            )
            SELECT $columns, p.distance FROM above p $front ORDER BY distance
            SQL, [$nearestId]);

        return array_map(self::fromRow(...), $rows);
    }

    /**
     * A part of what the sitemap names, by address.
     *
     * @param int $part counted from 1
     *
     * @return list<Address>
     */
    public function inSitemap(\DateTimeImmutable $moment, int $part, int $most): array
    {
        $paths = $this->connection->fetchFirstColumn(
            'SELECT p.address FROM place p WHERE '.PlaceConditions::IN_SITEMAP." ORDER BY p.address LIMIT $most OFFSET "
                .$most * ($part - 1),
            ['moment' => $moment->format(\DATE_ATOM)],
        );

        return array_map(Address::fromNormal(...), array_values(array_filter($paths, \is_string(...))));
    }

    public function countInSitemap(\DateTimeImmutable $moment): int
    {
        $count = $this->connection->fetchOne(
            'SELECT count(*) FROM place p WHERE '.PlaceConditions::IN_SITEMAP,
            ['moment' => $moment->format(\DATE_ATOM)],
        );

        return is_numeric($count) ? (int) $count : 0;
    }

    /** @param array<string, mixed> $columns */
    public static function fromRow(array $columns): Place
    {
        $row = new Row($columns);

        return new Place(
            $row->text('id'),
            PlaceKind::from($row->text('kind')),
            $row->text('title'),
            Address::fromNormal($row->text('address')),
            $row->textOrNull('parent_id'),
            Light::from($row->text('light')),
            new Opening($row->moment('opens_on'), $row->moment('closes_on')),
            Audience::from($row->text('audience')),
            ClosedAnswer::from($row->text('closed_answer')),
            $row->textOrNull('closed_to'),
            new SearchListing($row->bool('listed'), $row->text('listing_title'), $row->text('listing_description')),
            Serving::from($row->text('serving')),
        );
    }

    private function one(string $where, string $value): ?Place
    {
        $row = $this->connection->fetchAssociative('SELECT '.self::COLUMNS." FROM place WHERE $where LIMIT 1", [$value]);

        return false === $row ? null : self::fromRow($row);
    }

    /**
     * @param array<string, mixed> $parameters
     *
     * @return array<string, Place>
     */
    private function places(string $where, array $parameters, string $order = 'position, title COLLATE by_name, id'): array
    {
        $places = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT '.self::COLUMNS." FROM place WHERE $where ORDER BY $order",
            $parameters,
        ) as $row) {
            $place = self::fromRow($row);
            $places[$place->id] = $place;
        }

        return $places;
    }
}

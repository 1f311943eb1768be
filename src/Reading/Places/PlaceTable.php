<?php

declare(strict_types=1);

namespace Lantern\Reading\Places;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\NotThere;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Reading\Sql\LetterIndex;
use Lantern\Reading\Sql\PgArray;
use Lantern\Reading\Sql\Row;
use Lantern\Reading\Sql\SqlFragment;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The places of the workbench as the management interface lists them: searched, narrowed, a page at a time. */
final readonly class PlaceTable
{
    public const PAGE = 100;

    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    /** Letters are found by a trigram index over this; the migration has it letter for letter. */
    public const LETTERS = "(p.title || ' ' || p.address || ' ' || p.kind) COLLATE \"default\"";

    /** Of how many it is told which are likest: where more have the same letters, those tell nothing. */
    private const WEIGHED = 200;

    /** A word that many have is found sooner among the next so many than by its letters, and a page of them is full by then. */
    private const LOOKED_THROUGH = 500;

    /** What each order goes by; every one has an index, and its last column tells any two places apart. */
    private const KEYS = [
        'title' => ['title COLLATE by_name', 'id'],
        'address' => ['address', 'id'],
        'kind' => ['kind', 'title COLLATE by_name', 'id'],
        'changed' => ['changed_at', 'id'],
    ];

    /** What opens, and neither a list nor a menu nor a text nor a breadcrumb leads to. */
    private const NOWHERE = <<<'SQL'
        p.light <> 'closed' AND (p.light = 'quiet' OR p.parent_id IS NULL AND p.kind NOT IN ('product', 'collection', 'category'))
        AND p.kind NOT IN ('front-page', 'search')
        AND NOT (p.light = 'open' AND EXISTS (SELECT FROM entry e JOIN bay b ON b.menu_id = e.menu_id
            OR b.menu_id = (SELECT h.menu_id FROM entry h WHERE h.id = e.menu_id) WHERE e.place_id = p.id AND e.enabled))
        AND NOT EXISTS (SELECT FROM entry e JOIN place s ON s.id = e.on_page WHERE e.place_id = p.id AND e.on_page <> p.id AND e.enabled
            AND s.light <> 'closed')
        AND NOT EXISTS (SELECT FROM text_mention m JOIN place s ON s.id = m.source_id WHERE m.place_id = p.id AND m.source_id <> p.id
            AND s.light <> 'closed')
        AND NOT EXISTS (SELECT FROM text_mention m JOIN place s ON s.id = m.source_id WHERE m.address = p.address
            AND m.source_id <> p.id AND s.light <> 'closed')
        AND NOT EXISTS (SELECT FROM place c WHERE c.parent_id = p.id AND c.light <> 'closed')
        SQL;

    /**
     * A page of the table.
     *
     * @param string|null $after id of the place that the page before ended with
     *
     * @return list<ListedPlace> one more than a page where there is a next one
     */
    public function page(PlaceFilter $filter, ?string $after): array
    {
        $places = self::narrowed($filter);
        $columns = self::KEYS[$filter->order] ?? self::KEYS['title'];
        $direction = $filter->descending ? 'DESC' : 'ASC';
        if (null !== $after) {
            $places = $places->
                and(
                    \sprintf(
                        '(p.%s) %s (SELECT %s FROM place WHERE id = :after)',
                        implode(', p.', $columns),
                        $filter->descending ? '<' : '>',
                        implode(', ', $columns),
                    ),
                    ['after' => $after],
                );
        }
        $order = implode(', ', array_map(static fn (string $column): string => "p.$column $direction", $columns));

        return $this->pageOf($places, self::matching($filter->words), $order);
    }

    /** All that a filter leaves: how many, and the ids of the first of them. */
    public function all(PlaceFilter $filter, int $most): AllOfThem
    {
        $places = self::narrowed($filter)->andAlso(self::matching($filter->words));
        $sql = "SELECT p.id FROM place p WHERE {$places->sql}";
        $count = $this->connection->fetchOne("SELECT count(*) FROM ($sql) these", $places->parameters);
        $ids = $this->connection->fetchFirstColumn("$sql ORDER BY p.title COLLATE by_name, p.id LIMIT $most", $places->parameters);

        return new AllOfThem(is_numeric($count) ? (int) $count : 0, array_values(array_filter($ids, \is_string(...))));
    }

    /** A condition on a place p. */
    private static function narrowed(PlaceFilter $filter): SqlFragment
    {
        $places = new SqlFragment('true');
        foreach ([
            'kind' => $filter->kind?->value,
            'light' => $filter->light?->value,
            'parent_id' => $filter->parentId,
        ] as $column => $value) {
            if (null !== $value) {
                $places = $places->and("p.$column = :$column", [$column => $value]);
            }
        }
        if (null !== $filter->listed) {
            $places = $places->and($filter->listed ? 'p.listed' : 'NOT p.listed');
        }
        if ($filter->inNoMenu) {
            $places = $places->and('NOT EXISTS (SELECT FROM entry e WHERE e.place_id = p.id AND e.on_page IS NULL)');
        }
        if ($filter->nowhere) {
            $places = $places->and(self::NOWHERE);
        }

        return $places;
    }

    /**
     * @param SqlFragment $places  a condition on a place p
     * @param SqlFragment $letters a condition on the letters of it
     *
     * @return list<ListedPlace>
     */
    private function pageOf(SqlFragment $places, SqlFragment $letters, string $order): array
    {
        $most = self::PAGE + 1;
        $sql = "SELECT p.* FROM place p WHERE {$places->sql}";
        if ($letters->asksForNothing()) {
            return $this->listed("$sql ORDER BY $order LIMIT $most", $order, $places->parameters);
        }
        $some = self::LOOKED_THROUGH;
        $both = $places->andAlso($letters);
        $found = $this->listed(<<<SQL
            SELECT p.* FROM ($sql ORDER BY $order LIMIT $some) p WHERE {$letters->sql} ORDER BY $order LIMIT $most
            SQL, $order, $both->parameters);
        if (\count($found) >= $most) {
            return $found;
        }
        $ids = LetterIndex::ids($this->connection, <<<SQL
            SELECT p.* FROM place p WHERE {$both->sql} ORDER BY $order LIMIT $most
            SQL, $both->parameters);

        return $this->listed('SELECT p.* FROM place p WHERE p.id = ANY (CAST(:some AS uuid[]))', $order, ['some' => PgArray::of($ids)]);
    }

    /**
     * The places that a few letters could mean: each word stands somewhere in title, address or kind,
     * in any order. The very title comes first, then titles that begin so, products last among equals;
     * of these what no menu leads to yet, and what was changed last. Where too few have all words,
     * those that are a typing slip away follow.
     *
     * @return list<ListedPlace>
     */
    public function find(string $words, ?PlaceKind $kind = null, int $most = 12): array
    {
        $isShort = mb_strlen(trim($words)) < 3;
        // Too few letters for the index, and half the shop has them somewhere.
        $places = $isShort ? new SqlFragment('' === trim($words) ? 'true' : 'lower(p.title) LIKE lower(:begins)') : self::matching($words);
        $places = $places->with(['begins' => addcslashes(trim($words), '%_\\').'%']);
        if (null !== $kind) {
            $places = $places->and('p.kind = :kind', ['kind' => $kind->value]);
        }
        if ('' === trim($words)) {
            // The latest of the shop, by their index; among these, what no menu leads to comes first.
            $latest = "SELECT p.* FROM place p WHERE {$places->sql} ORDER BY p.changed_at DESC, p.id DESC LIMIT 200";
            $found = $this->listed(<<<SQL
                SELECT p.*, EXISTS (SELECT FROM entry e WHERE e.place_id = p.id AND e.on_page IS NULL) AS in_menu FROM ($latest) p
                ORDER BY in_menu, p.kind = 'product', p.changed_at DESC, p.title COLLATE by_name, p.id LIMIT $most
                SQL, "p.in_menu, p.kind = 'product', p.changed_at DESC, p.title COLLATE by_name, p.id", [
                'begins' => '',
            ] + $places->parameters);
        } else {
            $found = $this->likely(
                $isShort ? null : $places->sql,
                $places->parameters + ['exactly' => trim($words), 'some' => self::WEIGHED],
                $words,
                $most,
            );
        }

        // A number is no slip for another.
        return $isShort || \count($found) >= $most || 1 === preg_match('/\d/', $words) || [] !== $found && mb_strlen(trim($words)) < 5
            ? $found
            : [
                ...$found,
                ...$this->slips(
                    $words,
                    $kind,
                    $most - \count($found),
                    array_map(static fn (ListedPlace $one): string => $one->place->id, $found),
                ),
            ];
    }

    /**
     * Where more have the letters than can be weighed, they are weighed among some of each: those of the very title,
     * those that begin so, the others.
     *
     * @param string|null          $where      a condition on the letters of a place p, with that on its kind; null: only titles that begin
     *            so
     * @param array<string, mixed> $parameters
     *
     * @return list<ListedPlace>
     */
    private function likely(?string $where, array $parameters, string $words, int $most): array
    {
        $kind = isset($parameters['kind']) ? 'p.kind = :kind' : 'true';
        $some = "SELECT p.id FROM place p WHERE $kind AND lower(p.title) = lower(:exactly) LIMIT :some";
        foreach (["p.kind <> 'product'", "p.kind = 'product'"] as $either) {
            $some = "($some) UNION (SELECT p.id FROM place p WHERE $kind AND $either AND lower(p.title) LIKE lower(:begins) LIMIT :some)";
            if (null !== $where) {
                $some = "($some) UNION (SELECT p.id FROM place p WHERE $where AND $either LIMIT :some)";
            }
        }
        $letters = array_filter($parameters, static fn (string $name): bool => str_starts_with($name, 'word'), \ARRAY_FILTER_USE_KEY);
        // Letters that stand in the address only mean a place less than those in its title.
        $inTitle = null === $where
            ? 'true'
            : implode(' AND ', array_map(static fn (int $n): string => "p.title ILIKE :word$n", array_keys(self::words($words))));

        return $this->listed(<<<SQL
            SELECT p.*, lower(p.title) = lower(:exactly) AS exact, p.title ILIKE :begins AS begins, $inTitle AS in_title,
                p.kind <> 'product' AND EXISTS (SELECT FROM entry e WHERE e.place_id = p.id AND e.on_page IS NULL) AS in_menu
            FROM place p WHERE p.id = ANY (CAST(:weighed AS uuid[]))
            ORDER BY exact DESC, begins DESC, in_title DESC, p.kind = 'product', in_menu, p.changed_at DESC, p.title COLLATE by_name,
                p.id LIMIT $most
            SQL, "p.exact DESC, p.begins DESC, p.in_title DESC, p.kind = 'product', p.in_menu, p.changed_at DESC, p.title COLLATE by_name, "
                .'p.id', [
                    'weighed' => PgArray::of(LetterIndex::ids($this->connection, $some, $parameters)),
                    'exactly' => $parameters['exactly'],
                    'begins' => $parameters['begins'],
                ] + $letters);
    }

    /**
     * @param list<string> $besides ids of places that were found already
     *
     * @return list<ListedPlace>
     */
    private function slips(string $words, ?PlaceKind $kind, int $most, array $besides): array
    {
        $where = 'p.id <> ALL (CAST(:besides AS uuid[]))';
        $score = 'public.similarity(:all, p.title)';
        $parameters = ['besides' => PgArray::of($besides), 'some' => self::WEIGHED];
        $typed = [];
        foreach (self::words($words) as $n => $word) {
            $where .= " AND :word$n OPERATOR(public.<%) ".self::LETTERS;
            $score .= " + public.word_similarity(:word$n, ".self::LETTERS.')';
            $typed["word$n"] = $word;
        }
        if (null !== $kind) {
            $where .= ' AND p.kind = :kind';
            $parameters['kind'] = $kind->value;
        }
        $some = LetterIndex::ids($this->connection, <<<SQL
            (SELECT id FROM place p WHERE $where AND p.kind <> 'product' LIMIT :some)
            UNION ALL (SELECT id FROM place p WHERE $where AND p.kind = 'product' LIMIT :some)
            SQL, $parameters + $typed);

        return $this->listed(<<<SQL
            SELECT p.*, $score AS score FROM place p WHERE p.id = ANY (CAST(:some AS uuid[]))
            ORDER BY score DESC, p.kind = 'product', p.title COLLATE by_name, p.id LIMIT $most
            SQL, "p.score DESC, p.kind = 'product', p.title COLLATE by_name, p.id", [
            'some' => PgArray::of($some),
            'all' => $words,
        ] + $typed);
    }

    /**
     * The places whose titles are like these words, for a menu that comes from elsewhere: one query,
     * by the trigram index.
     *
     * @param list<string> $labels
     *
     * @return array<string, list<Place>> by label
     */
    public function alike(array $labels): array
    {
        $found = [];
        if ([] !== $labels) {
            $letters = self::LETTERS;
            $this->connection->executeStatement('SET pg_trgm.word_similarity_threshold TO '.LetterIndex::SLIP);
            $rows = $this->connection->fetchAllAssociative(<<<SQL
                SELECT l.words, c.* FROM jsonb_array_elements_text(CAST(:labels AS jsonb)) AS l (words)
                CROSS JOIN LATERAL (
                    SELECT p.* FROM (
                        (SELECT p.* FROM place p WHERE p.kind <> 'product' AND l.words OPERATOR(public.<%) $letters LIMIT :some)
                        UNION ALL
                        (SELECT p.* FROM place p WHERE p.kind = 'product' AND $letters ILIKE '%' || replace(l.words, '%', '') || '%'
                            LIMIT :some)
                    ) p ORDER BY public.similarity(l.words, p.title) DESC, p.kind = 'product', p.title COLLATE by_name, p.id LIMIT 12
                ) c
                SQL, ['some' => self::WEIGHED, 'labels' => json_encode($labels, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE)]);
            foreach ($rows as $columns) {
                $found[(new Row($columns))->text('words')][] = PlaceReader::fromRow($columns);
            }
        }

        return $found;
    }

    /** @return list<ListedPlace> the places that others stand below, for whoever narrows the table to one */
    public function groups(): array
    {
        return $this->listed(<<<'SQL'
            SELECT p.* FROM place p WHERE p.kind IN ('page-group', 'category', 'journal') ORDER BY p.kind DESC, p.address LIMIT 500
            SQL, 'p.kind DESC, p.address', []);
    }

    /** @return list<ListedPlace> the products of a collection that is picked by hand, in their order */
    public function picked(string $collectionId): array
    {
        return $this->listed(<<<'SQL'
            SELECT p.*, k.position AS nth FROM pick k JOIN place p ON p.id = k.product_id WHERE k.collection_id = :collection
            SQL, 'p.nth, p.id', ['collection' => $collectionId]);
    }

    /** @return list<ListedPlace> a place among those of its kind that stand where it stands, in their order */
    public function siblings(string $placeId): array
    {
        $place = $this->one($placeId)->place;
        $where = null === $place->parentId ? 'p.parent_id IS NULL' : 'p.parent_id = :parent';

        return $this->listed(<<<SQL
            SELECT p.* FROM place p WHERE $where AND p.kind = :kind ORDER BY p.position, p.title COLLATE by_name, p.id LIMIT 200
            SQL, 'p.position, p.title COLLATE by_name, p.id', ['kind' => $place->kind->value] + (
            null === $place->parentId ? [] : ['parent' => $place->parentId]
        ));
    }

    public function one(string $id): ListedPlace
    {
        return $this->listed('SELECT p.* FROM place p WHERE p.id = :id', 'p.id', ['id' => $id])[0] ?? throw NotThere::place();
    }

    /** How many places stand below an address. */
    public function countBelow(Address $address): int
    {
        $count = $this->connection->fetchOne('SELECT count(*) FROM place WHERE address LIKE ?', [addcslashes($address->path, '%_\\').'/%']);

        return is_numeric($count) ? (int) $count : 0;
    }

    /** @return list<string> the first eight: nobody types more to find one place */
    private static function words(string $words): array
    {
        return \array_slice(preg_split('/\s+/u', trim($words), -1, \PREG_SPLIT_NO_EMPTY) ?: [], 0, 8);
    }

    /** A condition on the letters of a place p. */
    private static function matching(string $words): SqlFragment
    {
        return SqlFragment::contains(self::LETTERS, self::words($words));
    }

    /**
     * @param array<string, mixed> $parameters
     *
     * @return list<ListedPlace>
     */
    private function listed(string $places, string $order, array $parameters): array
    {
        $rows = $this->connection->fetchAllAssociative(<<<SQL
            WITH p AS ($places)
            SELECT p.*,
                (SELECT to_jsonb(array_agg(DISTINCT m.name ORDER BY m.name)) FROM entry e JOIN menu l ON l.id = e.menu_id
                    LEFT JOIN entry h ON l.kind = 'panel' AND h.id = l.id JOIN menu m ON m.id = COALESCE(h.menu_id, l.id)
                    AND m.kind IN ('menu', 'column') WHERE e.place_id = p.id) AS menus,
                (SELECT COALESCE(sum(v.count), 0) FROM journal.visit v WHERE v.address IN (p.address, l.address)
                    AND v.day > journal.utc_day() - 30) AS visits,
                l.address AS live_address
            FROM p LEFT JOIN live.place l ON l.id = p.id ORDER BY $order
            SQL, $parameters);

        return array_map(static function (array $columns): ListedPlace {
            $row = new Row($columns);

            return new ListedPlace(
                PlaceReader::fromRow($columns),
                $row->int('version'),
                $row->text('summary'),
                $row->texts('menus'),
                $row->int('visits'),
                $row->textOrNull('live_address'),
                new \DateTimeImmutable($row->text('changed_at')),
                $row->text('changed_by'),
            );
        }, $rows);
    }
}

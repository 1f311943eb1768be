<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Catalogue;

use Doctrine\DBAL\Connection;
use Lantern\Core\Filter\Counts;
use Lantern\Core\Filter\Filter;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\Item;
use Lantern\Core\Filter\ListingOrder;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Place\CollectionRule;
use Lantern\Core\Visitor;
use Lantern\Reading\Catalogue\Listing;
use Lantern\Reading\Catalogue\ListingReader;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Reading\Sql\PgArray;
use Lantern\Tests\Core\Filter\Catalogues;
use Lantern\Tests\ShopTestCase;

/** The counts of the database are held against the plain reference, for random catalogues, lights, dates, edits and choices. */
final class ListingReaderTest extends ShopTestCase
{
    private const CATALOGUES = 40;
    private const CHOICES = 16;
    private const MOMENT = '2027-03-01T12:00:00+00:00';
    private const A = '00000000-0000-7000-8000-00000000000a';
    private const B = '00000000-0000-7000-8000-00000000000b';
    private const C = '00000000-0000-7000-8000-00000000000c';
    private const COLLECTION = '00000000-0000-7000-8000-0000000000cc';

    public function testItCountsAndListsAsTheReferenceDoes(): void
    {
        $connection = $this->workbench();
        $this->emptied($connection);
        $reader = new ListingReader($connection);
        $cases = 0;
        for ($seed = 1; $seed <= self::CATALOGUES; ++$seed) {
            $connection->beginTransaction();
            $items = $this->catalogue($connection, $seed);
            foreach (['live', 'workbench'] as $copy) {
                $connection->executeStatement("SET LOCAL search_path TO $copy, catalogue, journal");
                for ($n = 0; $n < self::CHOICES / 2; ++$n) {
                    $this->compare($connection, $reader, $items, 100 * $seed + $n, $copy);
                    ++$cases;
                }
            }
            $connection->rollBack();
            if (0 === $seed % 20) {
                $connection->executeStatement('VACUUM catalogue.posting, catalogue.product, live.place, workbench.place, journal.touched');
            }
        }
        self::assertGreaterThan(600, $cases);
    }

    public function testThePagesOfAListingAreOneListInEveryOrder(): void
    {
        $connection = $this->workbench();
        $this->emptied($connection);
        $connection->executeStatement('SET search_path TO live, catalogue, journal');
        $this->catalogue($connection, 7, 60);
        $reader = new ListingReader($connection);
        $visitor = Visitor::guest(new \DateTimeImmutable(self::MOMENT));
        $filters = Catalogues::filters(1);
        foreach (ListingOrder::cases() as $order) {
            $all = $reader->page(Listing::everything(), new Narrowing(), $filters, $order, 60, null, 100, $visitor);
            self::assertGreaterThan(15, \count($all));
            // Both ways of reading: few products whole, many along their order.
            foreach ([60, 1_000_000] as $total) {
                $read = [];
                $after = null;
                do {
                    $page = $reader->page(Listing::everything(), new Narrowing(), $filters, $order, $total, $after, 4, $visitor);
                    array_push($read, ...\array_slice($page, 0, 4));
                    $after = $page[3] ?? null;
                } while (\count($page) > 4);
                self::assertSame($all, $read, $order->name);
            }
            self::assertSame(
                $all,
                $reader->page(Listing::everything(), new Narrowing(), $filters, $order, 60, self::A, 100, $visitor),
                'a cursor that is none is the first page',
            );
        }
        self::assertSame(
            $this->ids($connection, <<<'SQL'
                SELECT f.id FROM product f JOIN place p USING (id) WHERE f.id = ANY (?) ORDER BY f.price DESC, f.id DESC
                SQL, PgArray::of($all)),
            $reader->page(Listing::everything(), new Narrowing(), $filters, ListingOrder::PriceDown, 60, null, 100, $visitor),
        );
    }

    public function testThereIsRoomForMoreProductsThanThereWere(): void
    {
        $connection = $this->workbench();
        $before = (int) $this->value("SELECT bit_count(seats) FROM posting WHERE filter = 'rule' AND choice = 'all'");
        $connection->executeStatement(<<<'SQL'
            INSERT INTO product (id, sku, price, stock, weight, maker, new_since)
            SELECT gen_random_uuid(), 'more-' || n, n, 1, 1, 'Many', now() FROM generate_series(1, 3000) n
            SQL);
        self::assertSame((string) ($before + 3000), $this->value(<<<'SQL'
            SELECT bit_count(seats) FROM posting WHERE filter = 'rule' AND choice = 'all'
            SQL));
        self::assertSame('1', $this->value(<<<'SQL'
            SELECT count(DISTINCT length(seats)) FROM (SELECT seats FROM posting UNION ALL SELECT none FROM room) all_of_them
            SQL));
        $postings = 'SELECT md5(string_agg(filter || choice || bit_count(seats), \'|\' ORDER BY filter, choice)) FROM posting';
        $known = $this->value($postings);
        $connection->executeStatement('SELECT catalogue.rebuild_postings()');
        self::assertSame($known, $this->value($postings), 'made anew they are what the triggers kept');
        $connection->executeStatement("DELETE FROM product WHERE maker = 'Many'");
        self::assertSame(
            '0',
            $this->value("SELECT count(*) FROM posting WHERE choice = 'Many'"),
            'a maker of whom nothing is left is known no more',
        );
    }

    /** @param list<Item> $items */
    private function compare(Connection $connection, ListingReader $reader, array $items, int $seed, string $copy): void
    {
        $categories = [self::A, self::B, self::C];
        $asked = Catalogues::asked($seed);
        $filters = Catalogues::filters($seed);
        $visitor = 0 === $seed % 2
            ? Visitor::guest(new \DateTimeImmutable(self::MOMENT))
            : Visitor::customer(new \DateTimeImmutable(self::MOMENT));
        [$listing, $listed] = $this->listing($connection, $seed, $items);
        $places = (new PlaceReader($connection))->byIds(array_map(static fn (Item $item): string => $item->id, $items));
        $shown = array_values(array_filter(
            $listed,
            static fn (Item $item): bool => isset($places[$item->id]) && $places[$item->id]->isShownTo($visitor),
        ));
        $chosen = Catalogues::narrowing($seed, $categories);
        $known = $reader->known($chosen, $filters);
        self::assertSame(
            $this->known($chosen, $items, $filters)->query(array_combine($categories, $categories)),
            $known->query(array_combine($categories, $categories)),
            "what is known, seed $seed",
        );

        $expected = Counts::of($shown, $known, $asked, $filters, [self::A, self::C]);
        $found = $reader->counts($listing, $known, $asked, $filters, [self::A, self::C], $visitor);
        self::assertEquals(self::sorted($expected), self::sorted($found), "$copy, seed $seed");
        $left = array_map(
            static fn (Item $item): string => $item->id,
            array_values(array_filter($shown, static fn (Item $item): bool => Counts::leaves($item, $known, $filters))),
        );
        sort($left);
        foreach ([$found->total, 1_000_000] as $total) {
            $page = $reader->page($listing, $known, $filters, ListingOrder::cases()[$seed % 5], $total, null, 100, $visitor);
            sort($page);
            self::assertSame($left, $page, "$copy, seed $seed");
        }
    }

    /**
     * @param list<Item> $items
     *
     * @return array{Listing, list<Item>}
     */
    private function listing(Connection $connection, int $seed, array $items): array
    {
        $picked = $this->ids($connection, 'SELECT product_id FROM pick WHERE collection_id = ?', self::COLLECTION);

        return match ($seed % 5) {
            0 => [Listing::everything(), $items],
            1 => [
                Listing::ofCategory(self::A),
                array_values(array_filter($items, static fn (Item $item): bool => \in_array(self::A, $item->categories, true))),
            ],
            2 => [
                Listing::ofCollection(self::COLLECTION, CollectionRule::of('tag', 'gift')),
                array_values(array_filter($items, static fn (Item $item): bool => \in_array('gift', $item->tags, true))),
            ],
            3 => [Listing::ofCollection(self::COLLECTION, CollectionRule::of('newest')), $items],
            default => [
                Listing::ofCollection(self::COLLECTION, CollectionRule::of('hand')),
                array_values(array_filter($items, static fn (Item $item): bool => \in_array($item->id, $picked, true))),
            ],
        };
    }

    /**
     * What the shop knows: a value that any of its products has, shown or not.
     *
     * @param list<Item> $items
     */
    private function known(Narrowing $chosen, array $items, Filters $filters): Narrowing
    {
        $known = ['category' => array_fill_keys($chosen->categoryIds(), true)];
        foreach ($chosen->choices as $key => $values) {
            $filter = Filter::named($key);
            foreach ($items as $item) {
                foreach ($item->values($filter) as $value) {
                    $known[$key][$filters->setting($key)->canonical($value)] = true;
                }
            }
        }

        return $filters->canonical($chosen)->among($known);
    }

    /** @return array<mixed> */
    private static function sorted(Counts $counts): array
    {
        $choices = array_map(static function (array $one): array {
            ksort($one);

            return $one;
        }, $counts->choices);
        ksort($choices);
        $without = $counts->without;
        ksort($without);

        return [$counts->total, $without, $choices, $counts->lowest, $counts->highest];
    }

    private function emptied(Connection $connection): void
    {
        $connection->executeStatement(<<<'SQL'
            DELETE FROM live.place WHERE kind = 'product'; DELETE FROM workbench.place WHERE kind = 'product'; DELETE
            FROM catalogue.standing; DELETE FROM catalogue.product; DELETE FROM live.pick; DELETE FROM workbench.pick; DELETE
            FROM journal.touched
            SQL);
        foreach (['live', 'workbench'] as $copy) {
            $connection->executeStatement(<<<SQL
                INSERT INTO $copy.place (id, kind, title, address, parent_id)
                VALUES (?, 'category', 'A', '/a-category', NULL), (?, 'category', 'B', '/a-category/b', ?), (?, 'category', 'C',
                '/c-category', NULL)
                SQL, [self::A, self::B, self::A, self::C]);
        }
    }

    /**
     * Products come, some go, some change, some move; the workbench is edited on.
     *
     * @return list<Item>
     */
    private function catalogue(Connection $connection, int $seed, int $size = 12): array
    {
        $ids = array_map(static fn (int $n): string => \sprintf('00000000-0000-7000-8000-%012d', 100_000 + $n), range(1, $size));
        $categories = [self::A => [], self::B => [self::A], self::C => []];
        foreach ([
            Catalogues::items($seed, [...$ids, '00000000-0000-7000-8000-000000099999'], $categories),
            $items = Catalogues::items($seed + 5000, $ids, $categories),
        ] as $round => $some) {
            $products = $standings = $places = $picks = [];
            foreach ($some as $n => $item) {
                $products[] = [
                    'id' => $item->id,
                    'price' => $item->price,
                    'stock' => $item->inStock ? 3 : 0,
                    'maker' => $item->maker,
                    'tags' => $item->tags,
                    'options' => (object) $item->options,
                    'n' => $n % 4,
                ];
                foreach (array_diff($item->categories, \in_array(self::B, $item->categories, true) ? [self::A] : []) as $category) {
                    $standings[] = ['category_id' => $category, 'product_id' => $item->id];
                }
                $places[] = [
                    'id' => $item->id, 'title' => ['Same', 'Ähnlich', 'Zinc', 'after'][mt_rand(0, 3)],
                    'light' => [
                        'open',
                        'open',
                        'open',
                        'quiet',
                        'closed',
                    ][mt_rand(0, 4)], 'audience' => ['everyone', 'everyone', 'guests', 'customers'][mt_rand(0, 3)],
                    'opens' => [
                        null,
                        null,
                        '2027-01-01',
                        '2027-04-01',
                    ][mt_rand(0, 3)], 'closes' => [null, null, '2027-05-01'][mt_rand(0, 2)],
                ];
                if (0 === $round && 0 === mt_rand(0, 2)) {
                    $picks[] = ['id' => $item->id, 'position' => mt_rand(0, 5)];
                }
            }
            $write = static fn (string $sql, array $rows) => $connection->executeStatement(
                $sql,
                ['rows' => json_encode($rows, \JSON_THROW_ON_ERROR)],
            );
            $write(<<<'SQL'
                INSERT INTO catalogue.product (id, sku, price, stock, weight, maker, tags, options, new_since)
                SELECT id, CAST(id AS text), price, stock, 1, maker, tags, options, DATE '2026-01-01' + n
                FROM jsonb_to_recordset(CAST(:rows AS jsonb)) AS r (id uuid, price integer, stock integer, maker text, tags text[],
                options jsonb, n integer) ON CONFLICT (id) DO UPDATE
                SET price = excluded.price, stock = excluded.stock, maker = excluded.maker, tags = excluded.tags, options =
                excluded.options
                SQL, $products);
            $connection->executeStatement('DELETE FROM catalogue.standing');
            $write(<<<'SQL'
                INSERT INTO catalogue.standing SELECT category_id, product_id, 0
                FROM jsonb_to_recordset(CAST(:rows AS jsonb)) AS r (category_id uuid, product_id uuid)
                SQL, $standings);
            foreach (['live', 'workbench'] as $copy) {
                $write(<<<SQL
                    INSERT INTO $copy.place (id, kind, title, address, light, audience, opens_on, closes_on)
                    SELECT id, 'product', title, '/products/' || id, light, audience, opens, closes
                    FROM jsonb_to_recordset(CAST(:rows AS jsonb)) AS r (id uuid, title text, light text, audience text, opens
                    timestamptz, closes timestamptz) ON CONFLICT (id) DO UPDATE
                    SET title = excluded.title, light = excluded.light, audience = excluded.audience, opens_on = excluded.opens_on,
                    closes_on = excluded.closes_on
                    SQL, $places);
                $write(
                    "INSERT INTO $copy.pick SELECT id, '".self::COLLECTION
                        ."', id, position FROM jsonb_to_recordset(CAST(:rows AS jsonb)) AS r (id uuid, position integer)",
                    $picks,
                );
            }
        }
        $connection->executeStatement("DELETE FROM catalogue.product WHERE id = '00000000-0000-7000-8000-000000099999'");
        $connection->executeStatement('DELETE FROM journal.touched');
        if (0 === $seed % 3) {
            $connection->executeStatement(<<<'SQL'
                UPDATE workbench.place SET light = CASE light WHEN 'open' THEN 'closed' ELSE 'open' END, opens_on = NULL
                WHERE kind = 'product' AND hashtext(CAST(id AS text) || ?) % 3 = 0
                SQL, [$seed]);
        }

        return $items;
    }

    /** @return list<string> */
    private function ids(Connection $connection, string $sql, string $parameter): array
    {
        return array_values(array_filter($connection->fetchFirstColumn($sql, [$parameter]), \is_string(...)));
    }
}

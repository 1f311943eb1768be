<?php

declare(strict_types=1);

namespace Lantern\Tests\Story;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Person\Actor;
use Lantern\Core\Visitor;
use Lantern\Demo\DemoId;
use Lantern\Kernel;
use Lantern\Node\Look\FirstLook;
use Lantern\Node\News\News;
use Lantern\Reading\Copies\Copies;
use Lantern\Storefront\Http\Visit;
use Lantern\Storefront\Pages\Pages;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Publishing\Publisher;
use Symfony\Component\DependencyInjection\ContainerInterface;
use Symfony\Component\HttpFoundation\Request;

/**
 * A page that was made once may be given again for as long as nothing is told to have changed that it shows: then it is,
 * letter for letter, the page that would be made anew.
 */
final class KeptPagesTest extends ShopTestCase
{
    private const PAGES = [
        '/', '/products', '/collections', '/journal', '/papers', '/papers/marbled', '/papers/marbled/combed', '/kits', '/tools/cutting',
        '/collections/acid-free', '/collections/new-in',
        '/collections/reduced', '/binding-guides', '/help', '/policies/privacy', '/contact', '/products/awl-fine', '/products/awl-curved',
        '/binding-guides/keeping-a-knife-sharp', '/journal/a-bench-for-a-small-room',
    ];

    private Kernel $storefront;
    private Copies $copies;
    private Pages $pages;
    private News $news;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->storefront, $this->copies, $this->pages] = self::node();
        $url = $_SERVER['DATABASE_URL'] ?? '';
        $this->news = new News(new FirstLook(\is_string($url) ? $url : ''));
    }

    protected function tearDown(): void
    {
        $this->storefront->shutdown();
        parent::tearDown();
    }

    /** @return array{Kernel, Copies, Pages} one that keeps nothing yet */
    private static function node(): array
    {
        $kernel = new Kernel('test', false, 'storefront');
        $kernel->boot();
        $container = $kernel->getContainer()->get('test.service_container');
        self::assertInstanceOf(ContainerInterface::class, $container);
        $copies = $container->get(Copies::class);
        $pages = $container->get(Pages::class);
        self::assertInstanceOf(Copies::class, $copies);
        self::assertInstanceOf(Pages::class, $pages);

        return [$kernel, $copies, $pages];
    }

    public function testWhatIsKeptIsWhatWouldBeMade(): void
    {
        /** @var array<string, array{string, list<string>}|null> $kept */
        $kept = [];
        $given = $dropped = [];
        foreach (self::PAGES as $path) {
            $kept[$path] = $this->made($path);
        }
        self::assertGreaterThan(15, \count(array_filter($kept)), 'pages that open');
        $random = new \Random\Randomizer(new \Random\Engine\Xoshiro256StarStar(2911));
        $changes = array_values($this->changes());
        $names = array_keys($this->changes());
        for ($round = 0; $round < 60; ++$round) {
            // Each once, then any, and some together.
            $chosen = $round < \count($changes)
                ? [$round]
                : [$random->getInt(0, \count($changes) - 1), $random->getInt(0, \count($changes) - 1)];
            $before = $this->news->ask();
            foreach ($chosen as $n) {
                $changes[$n]($this->workbench(), $random);
            }
            $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
            $changed = $this->news->between($before, $this->news->ask());
            self::assertNotNull($changed);
            $this->assertKeptAsItIs();
            $what = implode(', ', array_map(static fn (int $n): string => $names[$n], $chosen));
            foreach (self::PAGES as $path) {
                $now = $this->made($path);
                if ('/papers/marbled' === $path || '/help' === $path) {
                    // Header, drawer, panels and footer, of which this node has kept the parts that it takes to be unchanged.
                    self::assertSame($this->madeByAnotherNode($path), $now[0] ?? null, "The frame, after: $what");
                }
                if (null !== $kept[$path] && null !== $now && [] === array_intersect([...$kept[$path][1], 'all'], $changed)) {
                    self::assertSame($kept[$path][0], $now[0], "$path was kept after: $what");
                    $given[] = $path;
                } else {
                    $dropped[] = $path;
                    $kept[$path] = $now;
                }
            }
        }
        self::assertGreaterThan(230, \count($given), 'most pages have nothing to do with most changes');
        self::assertGreaterThan(150, \count($dropped), 'and some have');
    }

    /** What triggers keep, so that nobody has to walk through everything for it, is what such a walk would find. */
    private function assertKeptAsItIs(): void
    {
        foreach ([
            'marks of redirects' => [
                'SELECT mark, source, redirect_id FROM redirect_mark',
                'SELECT mark, source, redirect_id FROM redirect_mark_now',
            ],
            'postings of filters' => ['SELECT filter, choice, bit_count(seats)::int FROM posting', "SELECT p.filter, p.choice, count(*)::int FROM product f, catalogue.postings_of(f.maker, f.tags, f.options, f.stock, f.price, f.reduced_from, f.featured) p GROUP BY 1, 2
                UNION ALL SELECT 'category', category_id::text, count(*)::int FROM standing s JOIN product f ON f.id = s.product_id GROUP BY 2
                UNION ALL SELECT 'shown', p.audience, count(*)::int FROM live.place p JOIN product f ON f.id = p.id WHERE p.light = 'open' AND p.opens_on IS NULL AND p.closes_on IS NULL GROUP BY 2"],
            'titles of products' => ['SELECT product_id, seat, title FROM live.product_title', <<<'SQL'
                SELECT f.id, f.seat, p.title FROM product f JOIN live.place p ON p.id = f.id
                SQL],
            'words of places' => ['SELECT place_id, seat, words FROM live.search_words', <<<'SQL'
                SELECT p.id, f.seat, catalogue.words_of(p.title, p.summary, CASE WHEN p.kind <> 'product' THEN live.text_of_page(p.id)
                END, f.maker, f.tags, f.options) FROM live.place p LEFT JOIN product f ON f.id = p.id
                SQL],
            'the number of redirects' => ['SELECT sum(more) FROM redirect_tally', 'SELECT count(*) FROM redirect'],
            'last visits' => ['SELECT address, last_day FROM visited', 'SELECT address, max(day) FROM visit GROUP BY address'],
        ] as $what => [$kept, $is]) {
            self::assertSame([], $this->workbench()->fetchAllNumeric(<<<SQL
                SELECT left(CAST(d AS text), 200) FROM (($kept EXCEPT ($is)) UNION ALL (($is) EXCEPT $kept)) d LIMIT 5
                SQL), $what);
        }
    }

    private function madeByAnotherNode(string $path): ?string
    {
        [$kernel, $copies, $pages] = self::node();
        $page = $this->made($path, $copies, $pages);
        $kernel->shutdown();

        return $page[0] ?? null;
    }

    /** @return array{string, list<string>}|null the page, and the keys of what it shows; null where it does not open */
    private function made(string $path, ?Copies $copies = null, ?Pages $pages = null): ?array
    {
        $live = ($copies ?? $this->copies)->live;
        $pages ??= $this->pages;

        return $live->snapshot(static function () use ($live, $pages, $path): ?array {
            $visit = new Visit($live, Visitor::guest(new \DateTimeImmutable()), '', $path, false);
            $answer = (new Answerer($live->places, $live->rules))->answer(Address::parse($path)->encoded(), $visit->visitor);
            if (200 !== $answer->status) {
                return null;
            }

            return [(string) $pages->page($visit, $answer, Request::create($path))->getContent(), $visit->shown->keys()];
        });
    }

    /** @return array<string, \Closure(Connection, \Random\Randomizer): mixed> */
    private function changes(): array
    {
        $any = static fn (string $kinds): string => "(SELECT id FROM place WHERE kind IN ($kinds) ORDER BY md5(id::text || :seed) LIMIT 1)";
        $seeded = static fn (string $sql): \Closure => static fn (
            Connection $shop,
            \Random\Randomizer $random,
        ): int|string => $shop->executeStatement(
            $sql,
            ['seed' => (string) $random->getInt(0, 99_999)],
        );

        return [
            'a title of a page' => $seeded("UPDATE place SET title = 'Title ' || :seed WHERE id = ".$any("'page', 'article', 'policy'")),
            'a title of a product' => $seeded("UPDATE place SET title = 'Awl ' || :seed WHERE id = ".$any("'product'")),
            'a title of a category' => $seeded("UPDATE place SET title = 'Shelf ' || :seed WHERE id = ".$any("'category'")),
            'a summary' => $seeded(
                "UPDATE place SET summary = 'Short ' || :seed WHERE id = ".$any("'product', 'page', 'article', 'category', 'collection'"),
            ),
            'a light' => $seeded(
                "UPDATE place SET light = CASE light WHEN 'open' THEN 'quiet' ELSE 'open' END WHERE id = "
                    .$any("'product', 'page', 'article', 'category', 'collection'"),
            ),
            'a closed product' => $seeded(
                "UPDATE place SET light = CASE light WHEN 'closed' THEN 'open' ELSE 'closed' END WHERE id = ".$any("'product'"),
            ),
            'an audience' => $seeded(
                "UPDATE place SET audience = CASE audience WHEN 'everyone' THEN 'customers' ELSE 'everyone' END WHERE id = "
                    .$any("'product', 'article'"),
            ),
            'an address' => $seeded(<<<'SQL'
                UPDATE place SET address = '/moved/' || :seed
                WHERE id = (SELECT id FROM place WHERE kind = 'product' AND address NOT LIKE '%awl%' ORDER BY md5(id::text || :seed)
                LIMIT 1)
                SQL),
            'a listing' => $seeded("UPDATE place SET listing_title = 'Found ' || :seed WHERE id = ".$any("'product', 'page', 'category'")),
            'words' => $seeded("UPDATE words SET html = html || '<p>' || :seed || '</p>' WHERE id = ".$any("'page', 'article'")),
            'a position' => $seeded('UPDATE place SET position = position + 3 WHERE id = '.$any("'page', 'category', 'collection'")),
            'a day of an article' => $seeded(
                "UPDATE place SET published_on = date '2026-01-01' + (length(:seed) * 7) WHERE id = ".$any("'article'"),
            ),
            'a pick' => $seeded(
                <<<'SQL'
                    INSERT INTO pick (id, collection_id, product_id, position) SELECT gen_random_uuid(), c.id, p.id, 0
                    FROM (SELECT collection_id AS id FROM pick ORDER BY md5(id::text || :seed) LIMIT 1) c,
                    SQL
                    .' '.$any("'product'").' p WHERE NOT EXISTS (SELECT FROM pick k WHERE k.collection_id = c.id AND k.product_id = p.id)',
            ),
            'a pick that goes' => $seeded('DELETE FROM pick WHERE id = (SELECT id FROM pick ORDER BY md5(id::text || :seed) LIMIT 1)'),
            'a new product on a shelf' => $seeded(
                <<<'SQL'
                    WITH made AS (INSERT INTO place (id, kind, title, address)
                    VALUES (gen_random_uuid(), 'product', 'Aaa ' || :seed, '/products/new-' || :seed)
                    RETURNING id), sold AS (INSERT INTO product (id, sku, price, stock, weight, maker, new_since)
                    SELECT id, 'N-' || :seed, 100, 1, 1, 'x', CURRENT_DATE FROM made RETURNING id) INSERT INTO standing SELECT
                    SQL
                    .' '.$any("'category'").', id, 0 FROM sold',
            ),
            'a price' => $seeded('UPDATE product SET price = price + 1 WHERE id = '.$any("'product'")),
            'a product that is reduced' => $seeded(
                'UPDATE product SET reduced_from = CASE WHEN reduced_from IS NULL THEN price + 500 END WHERE id = '.$any("'product'"),
            ),
            'a stock' => $seeded('UPDATE product SET stock = 0 WHERE id = '.$any("'product'")),
            'a standing' => $seeded('INSERT INTO standing SELECT '.$any("'category'").', '.$any("'product'").', 0 ON CONFLICT DO NOTHING'),
            'a standing that goes' => $seeded(<<<'SQL'
                DELETE FROM standing WHERE (category_id, product_id) = (SELECT category_id, product_id FROM standing
                ORDER BY md5(product_id::text || :seed) LIMIT 1)
                SQL),
            'a label' => $seeded(<<<'SQL'
                UPDATE entry SET label = 'Way ' || :seed WHERE id = (SELECT id FROM entry ORDER BY md5(id::text || :seed) LIMIT 1)
                SQL),
            'the notice' => $seeded(<<<'SQL'
                INSERT INTO setting (id, value) VALUES ('notice', to_jsonb('Notice ' || CAST(:seed AS text))) ON CONFLICT (id) DO UPDATE
                SET value = excluded.value
                SQL),
            'a line that is switched off or on' => $seeded(<<<'SQL'
                UPDATE entry SET enabled = NOT enabled
                WHERE id = (SELECT id FROM entry WHERE on_page IS NULL ORDER BY md5(id::text || :seed) LIMIT 1)
                SQL),
            'words of a panel' => $seeded(<<<'SQL'
                UPDATE entry
                SET piece = jsonb_set(piece, '{html}', to_jsonb('<p>' || CAST(:seed AS text) || ' <a href="place:' || (SELECT id
                FROM place WHERE kind = 'category' ORDER BY md5(id::text || :seed) LIMIT 1) || '">there</a></p>'))
                WHERE piece ->> 'kind' = 'words' AND on_page IS NULL
                SQL),
            'an address of a category' => $seeded(<<<'SQL'
                UPDATE place SET address = '/shelf/' || :seed
                WHERE id = (SELECT id FROM place c WHERE kind = 'category' AND address NOT LIKE '/papers%' AND address NOT LIKE '/kits%'
                AND address NOT LIKE '/tools%' AND NOT EXISTS (SELECT FROM place p WHERE p.address LIKE c.address || '/%')
                ORDER BY md5(id::text || :seed) LIMIT 1)
                SQL),
            'a menu that hangs elsewhere' => $seeded(<<<'SQL'
                UPDATE bay SET menu_id = (SELECT id FROM menu WHERE kind = 'menu' ORDER BY md5(id::text || :seed) LIMIT 1)
                WHERE id = (SELECT id FROM bay WHERE beside IS NULL AND id IN ('footer-1', 'footer-2', 'footer-3', 'drawer')
                ORDER BY md5(id || :seed) LIMIT 1)
                SQL),
            'a detail of the shop' => $seeded(<<<'SQL'
                UPDATE setting SET value = to_jsonb('mail' || CAST(:seed AS text) || '@shop.example') WHERE id = 'mail'
                SQL),
            'a tag' => $seeded(
                "UPDATE product SET tags = tags || ARRAY['tag-' || :seed], options = '{\"Size\": [\"small\"]}' WHERE id = "
                    .$any("'product'"),
            ),
            'a product that goes' => $seeded(<<<'SQL'
                DELETE FROM product WHERE id = (SELECT id FROM product p WHERE NOT EXISTS (SELECT FROM entry e WHERE e.place_id = p.id)
                ORDER BY md5(id::text || :seed) LIMIT 1)
                SQL),
            'a visit' => $seeded(<<<'SQL'
                INSERT INTO visit VALUES ('/papers', CURRENT_DATE + length(:seed), 1) ON CONFLICT (address, day) DO UPDATE
                SET count = visit.count + 1
                SQL),
            'a redirect that goes' => $seeded(<<<'SQL'
                DELETE FROM redirect WHERE id = (SELECT id FROM redirect ORDER BY md5(id::text || :seed) LIMIT 1)
                SQL),
            'a redirect to an address' => $seeded(<<<'SQL'
                INSERT INTO redirect (id, source, goal_address, status)
                VALUES (gen_random_uuid(), '/by-address-' || :seed || gen_random_uuid(), '/papers/plain', 301)
                SQL),
            'a redirect' => static fn (Connection $shop, \Random\Randomizer $random): int|string => $shop->executeStatement(<<<'SQL'
                INSERT INTO redirect (id, source, goal_place_id, status) VALUES (gen_random_uuid(), ?, ?, 301)
                SQL, ['/gone-'.$random->getInt(0, 99_999_999), DemoId::of('categories/papers')]),
        ];
    }
}

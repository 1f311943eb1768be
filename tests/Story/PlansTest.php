<?php

declare(strict_types=1);

namespace Lantern\Tests\Story;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Filter\Filter;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\ListingOrder;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Search\SearchWords;
use Lantern\Core\Visitor;
use Lantern\Demo\DemoId;
use Lantern\Reading\Catalogue\Listing;
use Lantern\Reading\Catalogue\ShopReader;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Mentions\MentionReader;
use Lantern\Reading\Places\PlaceFilter;
use Lantern\Reading\Places\PlaceTable;
use Lantern\Reading\Redirects\RedirectFilter;
use Lantern\Reading\Redirects\RedirectTable;
use Lantern\Reading\Relatives\RelativeReader;
use Lantern\Reading\Releases\ReleaseReader;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Addresses\AddressEditor;
use Lantern\Workbench\Addresses\AddressWish;
use Lantern\Workbench\Publishing\Publisher;

/**
 * How the database goes about what it is asked, in a shop of some size: the server explains the very statements as they
 * are run (auto_explain), those within triggers among them. None reads a large table from end to end, and none is asked
 * for each row.
 */
final class PlansTest extends ShopTestCase
{
    private const LARGE = ['place', 'redirect', 'visit', 'visited', 'product', 'standing', 'text_mention', 'release_row', 'words'];
    private const MARK = 'lantern reads on from here';

    private string $log;
    private int $from = 0;

    protected function setUp(): void
    {
        parent::setUp();
        $var = getenv('LANTERN_VAR');
        $this->log = (\is_string($var) ? $var : '').'/log/postgres.log';
        $server = $this->server('lantern_test');
        $server->exec(<<<'SQL'
            ALTER TABLE workbench.place DISABLE TRIGGER USER; ALTER TABLE workbench.redirect DISABLE TRIGGER USER; ALTER TABLE
            workbench.words DISABLE TRIGGER touched
            SQL);
        $server->exec(<<<'SQL'
            INSERT INTO workbench.place (id, kind, title, address, changed_at)
                SELECT gen_random_uuid(), 'product', 'Board ' || md5(n::text), '/products/many-' || n, now() - n * interval '1 minute'
                FROM generate_series(1, 9000) n;
            INSERT INTO workbench.place (id, kind, title, address, parent_id, published_on)
                SELECT gen_random_uuid(), 'article', 'Note ' || md5(n::text), '/journal/many-' || n, (SELECT id FROM workbench.place
                WHERE kind = 'journal'), date '2020-01-01' + n % 900 FROM generate_series(1, 4000) n;
            INSERT INTO catalogue.product (id, sku, price, stock, weight, maker, tags, new_since)
                SELECT id, 'M-' || address, 100, 1, 1, 'x', ARRAY['many', 'lot-' || length(title) % 7], date '2020-01-01' +
                (ascii(right(address, 1)) * 11) FROM workbench.place WHERE address LIKE '/products/many-%';
            INSERT INTO catalogue.standing
                SELECT (SELECT id FROM workbench.place
                WHERE address = CASE WHEN right(p.address, 2) = '77' THEN '/tools/cutting' ELSE '/papers/plain' END), p.id, 1
                FROM workbench.place p WHERE p.address LIKE '/products/many-%';
            INSERT INTO workbench.words SELECT id, '<p><a href="/products/many-' || right(address, 2) || '">this</a></p>'
                FROM workbench.place WHERE address LIKE '/journal/many-%';
            INSERT INTO workbench.redirect (id, source, goal_place_id, status)
                SELECT gen_random_uuid(), '/was/many-' || row_number() OVER (), p.id, 301 FROM workbench.place p, generate_series(1, 2)
                WHERE p.address LIKE '/products/many-%';
            INSERT INTO journal.redirect_tally VALUES (18000);
            INSERT INTO journal.release_row SELECT n.id, 'place', p.id::text, NULL, to_jsonb(p)
                FROM journal.release n, workbench.place p WHERE p.address LIKE '/products/many-%' AND n.number = 1;
            INSERT INTO journal.visit SELECT '/products/many-' || n, CURRENT_DATE - d, 2
                FROM generate_series(1, 4000) n, generate_series(0, 9) d UNION ALL SELECT '/was/many-' || n, CURRENT_DATE - d, 1
                FROM generate_series(1, 4000) n, generate_series(0, 9) d;
            INSERT INTO live.place SELECT * FROM workbench.place w WHERE NOT EXISTS (SELECT FROM live.place l WHERE l.id = w.id);
            INSERT INTO live.redirect SELECT * FROM workbench.redirect w WHERE NOT EXISTS (SELECT FROM live.redirect l WHERE l.id = w.id);
            INSERT INTO live.words SELECT * FROM workbench.words w WHERE NOT EXISTS (SELECT FROM live.words l WHERE l.id = w.id);
            ALTER TABLE workbench.place ENABLE TRIGGER USER; ALTER TABLE workbench.redirect ENABLE TRIGGER USER; ALTER TABLE
                workbench.words ENABLE TRIGGER touched;
            ANALYZE;
            SQL);
    }

    public function testNothingReadsAWholeTable(): void
    {
        $this->lists();
        $this->pagesOfTheShop();
        $this->onePlace();
    }

    private function lists(): void
    {
        $places = $this->service(PlaceTable::class);
        $redirects = $this->service(RedirectTable::class);
        $this->explained($this->workbench(), [
            'the table of places' => static fn () => $places->page(new PlaceFilter(), null),
            'by change' => static fn () => $places->page(new PlaceFilter(order: 'changed', descending: true), null),
            'quiet ones' => static fn () => $places->page(new PlaceFilter(light: \Lantern\Core\Place\Light::Quiet), null),
            'those of a group' => static fn () => $places->page(new PlaceFilter(parentId: DemoId::of('fixed/journal')), null),
            'its next page' => static fn () => $places->page(new PlaceFilter(), $places->page(new PlaceFilter(), null)[99]->place->id),
            'few letters of a place' => static fn () => $places->find('a'),
            'a word of few places' => static fn () => $places->find('knife'),
            'siblings' => fn () => $places->siblings($this->value("SELECT id FROM place WHERE address = '/journal/many-7'")),
            'the table of redirects' => static fn () => $redirects->page(new RedirectFilter(), null),
            'redirects that lead nowhere' => static fn () => $redirects->page(new RedirectFilter(mark: 'nowhere'), null),
            'redirects behind a place' => static fn () => $redirects->page(new RedirectFilter(mark: 'shadowed'), null),
            'redirects that end' => static fn () => $redirects->page(new RedirectFilter(mark: 'ended'), null),
            'redirects of a status' => static fn () => $redirects->page(
                new RedirectFilter(status: \Lantern\Core\Redirect\RedirectStatus::Gone),
                null,
            ),
            'how many there are' => $redirects->count(...),
        ], statements: 4);
    }

    private function onePlace(): void
    {
        $product = $this->value("SELECT id FROM place WHERE address = '/products/many-4711'");
        $place = fn () => $this->service(Copies::class)->workbench->places->get($product) ?? throw new \LogicException('It is there.');
        $addresses = $this->service(AddressEditor::class);
        $this->explained($this->workbench(), [
            'mentions' => fn () => $this->service(MentionReader::class)->of($place()),
            'relatives' => fn () => $this->service(RelativeReader::class)->of($place()),
            'the plan of an address' => static fn () => $addresses->judge([new AddressWish(
                $product,
                '/products/many-4711',
                '/products/tidy',
            )]),
            'the change of an address, with its triggers' => fn () => $addresses->change(
                [new AddressWish($product, '/products/many-4711', '/products/tidy')],
                $this->actor(),
            ),
            'what waits' => fn () => $this->service(ReleaseReader::class)->waiting(),
            'publishing it' => fn () => $this->service(Publisher::class)->publish(Actor::commandLine('Joss')),
            'what a release changed' => fn () => $this->service(ReleaseReader::class)->changesOf(2),
        ], statements: 120);
    }

    private function pagesOfTheShop(): void
    {
        $live = $this->service(Copies::class)->live;
        $guest = Visitor::guest(new \DateTimeImmutable());
        $shop = $live->shop;
        $category = $live->places->at(Address::parse('/tools/cutting'))->id ?? '';
        $papers = Listing::ofCategory($live->places->at(Address::parse('/papers'))->id ?? '');
        $marbled = new Narrowing(['tag' => ['marbled'], 'maker' => ['Odile Farrow']], 100, 5000, true);
        $filters = Filters::of([]);
        $asked = array_map(Filter::named(...), ['in-stock', 'price', 'maker', 'tag', 'category', 'option.Sheet size']);
        $product = $live->places->at(Address::parse('/products/many-77'))->id ?? '';
        $connection = self::getContainer()->get('doctrine.dbal.live_connection');
        self::assertInstanceOf(Connection::class, $connection);
        $this->explained($connection, [
            'counts of a listing' => static fn () => $live->listings->counts($papers, $marbled, $asked, $filters, [$category], $guest),
            'a category of few' => static fn () => $live->listings->page(
                Listing::ofCategory($category),
                new Narrowing(),
                $filters,
                ListingOrder::Laid,
                9,
                null,
                24,
                $guest,
            ),
            'a category of many' => static fn () => $live->listings->page(
                $papers,
                $marbled,
                $filters,
                ListingOrder::Laid,
                9999,
                null,
                24,
                $guest,
            ),
            'all products by price' => static fn () => $live->listings->page(
                Listing::everything(),
                new Narrowing(),
                $filters,
                ListingOrder::Price,
                9999,
                $product,
                24,
                $guest,
            ),
            'the newest' => static fn () => $shop->newest($guest, ShopReader::NEWEST_IN_FRONT),
            'articles' => static fn () => $shop->articles($guest, ShopReader::CARDS + 1),
            'a page group' => static fn () => $shop->pageBelow(DemoId::of('fixed/journal'), $guest, PlaceKind::Article, null),
            'a search for a word of few' => static fn () => $live->listings->counts(
                Listing::found(SearchWords::of('awl')),
                new Narrowing(),
                $asked,
                $filters,
                [],
                $guest,
            ),
            'a page of what it found' => static fn () => $live->listings->page(
                Listing::found(SearchWords::of('awl')),
                new Narrowing(),
                $filters,
                ListingOrder::Laid,
                9,
                null,
                24,
                $guest,
            ),
            'places that it found' => static fn () => $live->search->places(SearchWords::of('awl'), $guest),
            'suggestions' => static fn () => $live->search->suggestions(SearchWords::of('awl'), $guest),
            'the sitemap' => static fn () => $live->places->inSitemap($guest->moment, 2, 1000),
            'a redirect' => static fn () => $live->rules->exact(Address::parse('/was/many-77'), $guest->moment),
            'tags' => $shop->tags(...),
        ], statements: 8);
    }

    /**
     * @param array<string, \Closure(): mixed> $asked
     * @param int                              $statements the most that one of them may ask the database, triggers and all
     */
    private function explained(Connection $connection, array $asked, int $statements): void
    {
        $connection->executeStatement(
            "LOAD 'auto_explain'; SET auto_explain.log_min_duration = 0; SET auto_explain.log_nested_statements = on; SET "
                ."auto_explain.log_format = 'text'",
        );
        $whole = [];
        foreach ($asked as $what => $ask) {
            clearstatcache();
            $this->from = (int) filesize($this->log);
            $ask();
            $plans = $this->plans($connection);
            self::assertNotSame([], $plans, "$what asks the database");
            self::assertLessThanOrEqual($statements, \count($plans), $what);
            foreach ($plans as $plan) {
                // What is never reached is not read.
                if (1 === preg_match(
                    '/Seq Scan on (?:\w+\.)?('.implode('|', self::LARGE).')\b(?![^\n]*\n?[^\n]*never executed)/',
                    $plan,
                    $table,
                )) {
                    $whole[] = "$what reads all of $table[1]:\n$plan";
                }
            }
        }
        self::assertSame([], $whole, implode("\n", $whole));
    }

    /** @return list<string> as the server wrote them into its log */
    private function plans(Connection $connection): array
    {
        $connection->executeStatement("SELECT '".self::MARK.' '.($mark = bin2hex(random_bytes(6)))."'");
        for ($try = 0; $try < 100; ++$try) {
            $written = (string) file_get_contents($this->log, offset: $this->from);
            if (str_contains($written, $mark)) {
                $plans = array_filter(
                    preg_split('/^(?=\d{4}-\d\d-\d\d )/m', $written) ?: [],
                    static fn (string $one): bool => str_contains($one, 'Query Text:')
                        && !str_contains($one, self::MARK)
                        && !str_contains($one, 'FROM pg_'),
                );

                return array_values($plans);
            }
            usleep(20_000);
        }
        self::fail("The server writes nothing into {$this->log}.");
    }
}

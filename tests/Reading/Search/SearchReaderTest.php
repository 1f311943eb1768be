<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Search;

use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\ListingOrder;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Search\Rank;
use Lantern\Core\Search\SearchWords;
use Lantern\Core\Visitor;
use Lantern\Reading\Catalogue\Listing;
use Lantern\Reading\Catalogue\ListingReader;
use Lantern\Reading\Search\SearchReader;
use Lantern\Reading\Search\Suggestion;
use Lantern\Tests\ShopTestCase;

/** What the database finds, and in which order, is held against the plain reference for random products and words. */
final class SearchReaderTest extends ShopTestCase
{
    private const WORDS = ['linen', 'lines', 'thread', 'threads', 'paper', 'papers', 'silk', 'awl', 'gold', 'waxed', 'boards', '12'];
    private const TYPED = [
        'linen',
        'linnen',
        'lin',
        'thred',
        'thraed',
        'thread',
        'papre',
        'paper',
        'p',
        'silk',
        'sikl',
        'awl',
        'boadrs',
        'waxde',
        '12',
        'gold',
        'golt',
        'nothing',
    ];

    public function testItFindsAndOrdersAsTheReferenceDoes(): void
    {
        $connection = $this->workbench();
        $connection->executeStatement(<<<'SQL'
            DELETE FROM live.place WHERE kind = 'product'; DELETE FROM workbench.place WHERE kind = 'product'; DELETE
            FROM catalogue.standing; DELETE FROM catalogue.product; DELETE FROM catalogue.lexicon
            SQL);
        $connection->executeStatement('SET search_path TO live, catalogue, journal');
        $visitor = Visitor::guest(new \DateTimeImmutable('2027-01-01'));
        [$search, $listings] = [new SearchReader($connection), new ListingReader($connection)];
        $found = 0;
        for ($seed = 1; $seed <= 40; ++$seed) {
            $connection->beginTransaction();
            $products = $this->products($seed);
            for ($n = 0; $n < 12; ++$n) {
                mt_srand(1000 * $seed + $n);
                $words = SearchWords::of(implode(' ', $this->some(self::TYPED, 1, 3)));
                $expected = array_filter(
                    array_map(
                        static fn (array $one): ?int => Rank::of(
                            $words->words,
                            $one['title'],
                            [...$one['tags'], $one['maker']],
                            $one['description'],
                            $one['stock'] > 0,
                        ),
                        $products,
                    ),
                    \is_int(...),
                );
                $listing = Listing::found($words);
                $total = $listings->counts($listing, new Narrowing(), [], Filters::of([]), [], $visitor)->total;
                self::assertCount($total, $expected, "“{$words->typed}”, seed $seed");
                $ids = $listings->page($listing, new Narrowing(), Filters::of([]), ListingOrder::Laid, $total, null, 100, $visitor);
                self::assertSame(self::sorted(array_keys($expected)), self::sorted($ids), $words->typed);
                $ranks = array_map(static fn (string $id): int => $expected[$id], $ids);
                $inOrder = $ranks;
                sort($inOrder);
                self::assertSame($inOrder, $ranks, "“{$words->typed}”, seed $seed");
                if ($total > 3) {
                    $second = $listings->page(
                        $listing,
                        new Narrowing(),
                        Filters::of([]),
                        ListingOrder::Laid,
                        $total,
                        $ids[1],
                        100,
                        $visitor,
                    );
                    self::assertSame(\array_slice($ids, 2), $second, 'pages follow one another');
                }
                $found += $total;
            }
            $connection->rollBack();
        }
        self::assertGreaterThan(500, $found);
        self::assertSame([], $search->suggestions(SearchWords::of(''), $visitor));
    }

    public function testPlacesAreFoundByTitleSummaryAndWordsAndFollowEveryEdit(): void
    {
        $connection = $this->workbench();
        $search = new SearchReader($connection);
        $visitor = Visitor::guest(new \DateTimeImmutable());
        $id = $this->value("SELECT id FROM place WHERE kind = 'page' AND light = 'open' ORDER BY id LIMIT 1");
        self::assertNotContains($id, $search->places(SearchWords::of('quokka'), $visitor));
        $connection->executeStatement(<<<'SQL'
            INSERT INTO words (id, html) VALUES (?, '<p>A <b>Quökka</b>, bound &amp; sewn</p>') ON CONFLICT (id) DO UPDATE
            SET html = excluded.html
            SQL, [$id]);
        self::assertContains($id, $search->places(SearchWords::of('QUOKKA sewn'), $visitor), 'accents and size of letters are no matter');
        self::assertNotContains($id, $search->places(SearchWords::of('quokka unbound'), $visitor), 'all words are needed');
        $connection->executeStatement("UPDATE place SET light = 'quiet' WHERE id = ?", [$id]);
        self::assertNotContains($id, $search->places(SearchWords::of('quokka'), $visitor), 'what is quiet is found by nobody');
        $connection->executeStatement("UPDATE place SET light = 'open', title = 'Wombat days' WHERE id = ?", [$id]);
        self::assertSame(
            'Wombat days',
            ($search->suggestions(SearchWords::of('womb'), $visitor)[0] ?? new Suggestion('', '', true))->title,
        );
        $connection->executeStatement('DELETE FROM words WHERE id = ?', [$id]);
        self::assertNotContains($id, $search->places(SearchWords::of('quokka'), $visitor));
    }

    /** @return array<string, array{title: list<string>, tags: list<string>, description: list<string>, maker: string, stock: int}> by id */
    private function products(int $seed): array
    {
        mt_srand($seed);
        $products = $rows = [];
        for ($n = 1; $n <= 10; ++$n) {
            $id = \sprintf('00000000-0000-7000-8000-%012d', $n);
            $products[$id] = $one = [
                'title' => $this->some(self::WORDS, 1, 3),
                'tags' => $this->some(self::WORDS, 0, 2),
                'description' => $this->some(self::WORDS, 0, 3),
                'maker' => $this->some(self::WORDS, 1, 1)[0],
                'stock' => mt_rand(0, 1),
            ];
            $rows[] = ['id' => $id, 'title' => implode(' ', $one['title']), 'summary' => implode(' ', $one['description'])] + $one;
        }
        $parameters = ['rows' => json_encode($rows, \JSON_THROW_ON_ERROR)];
        $from = 'FROM jsonb_to_recordset(CAST(:rows AS jsonb)) AS r (id uuid, title text, summary text, tags text[], maker text, stock '
            .'integer)';
        $connection = $this->workbench();
        // Half of the times the place is there before the product is.
        $writes = [
            "INSERT INTO live.place (id, kind, title, summary, address) SELECT id, 'product', title, summary, '/products/' || id $from",
            <<<SQL
                INSERT INTO catalogue.product (id, sku, price, stock, weight, maker, tags, new_since)
                SELECT id, CAST(id AS text), 1, stock, 1, maker, tags, now() $from
                SQL,
        ];
        foreach (0 === $seed % 2 ? $writes : array_reverse($writes) as $sql) {
            $connection->executeStatement($sql, $parameters);
        }

        return $products;
    }

    /**
     * @param list<string> $all
     *
     * @return list<string>
     */
    private function some(array $all, int $least, int $most): array
    {
        $some = [];
        for ($n = mt_rand($least, $most); $n > 0; --$n) {
            $some[] = $all[mt_rand(0, \count($all) - 1)];
        }

        return $some;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<string>
     */
    private static function sorted(array $ids): array
    {
        sort($ids, \SORT_STRING);

        return $ids;
    }

    /** Whatever stands between words, or parts them, is no matter; nor is how a keyboard puts a letter together. */
    public function testWhatIsTypedAroundWordsIsNoMatter(): void
    {
        $search = new SearchReader($this->workbench());
        $id = $this->value("SELECT id FROM place WHERE kind = 'page' AND light = 'open' ORDER BY id LIMIT 1");
        $this->workbench()->executeStatement("UPDATE place SET title = 'Model X-200, the bookbinder''s café' WHERE id = ?", [$id]);
        foreach ([
            'X-200',
            '200',
            'x 200',
            'bookbinders',
            "bookbinder's",
            '(café)',
            "cafe\u{0301},",
            'bokobinders.',
            'bookbindrs!',
        ] as $typed) {
            self::assertContains($id, $search->places(SearchWords::of($typed), Visitor::guest(new \DateTimeImmutable())), $typed);
        }
        $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets made by machine' WHERE id = ?", [$id]);
        self::assertNotContains(
            $id,
            $search->places(SearchWords::of("mac's"), Visitor::guest(new \DateTimeImmutable())),
            'an apostrophe makes no word of its own',
        );
    }
}

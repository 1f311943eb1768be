<?php

declare(strict_types=1);

namespace Lantern\Tests\Story;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Person\Actor;
use Lantern\Core\Visitor;
use Lantern\Kernel;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Places\PlaceFilter;
use Lantern\Reading\Places\PlaceTable;
use Lantern\Reading\Releases\ReleaseReader;
use Lantern\Storefront\Http\Visit;
use Lantern\Storefront\Pages\Pages;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Findings\LinkCheck;
use Lantern\Workbench\Publishing\Publisher;
use Symfony\Component\DependencyInjection\ContainerInterface;
use Symfony\Component\HttpFoundation\Request;

/**
 * What something costs is in step with what it is about, and not with the size of the shop: the same is done in the demo shop and in
 * one of 15,000 places more, and the rows that the database reads for it are counted. Times are for bin/bench.
 */
final class AtASizeTest extends ShopTestCase
{
    /** What a plan may change its mind about: the server reads a small table from end to end, and a large one by an index. */
    private const TIMES = 3;
    private const MORE = 3000;

    public function testTheSameCostsTheSame(): void
    {
        $small = $this->costs();
        $this->grow();
        $large = $this->costs();
        foreach ($small as $what => $rows) {
            self::assertLessThanOrEqual(
                self::TIMES * $rows + self::MORE,
                $large[$what],
                "$what, which reads $rows rows in the demo shop, at 15,000 places more: ".json_encode($large),
            );
        }
        // The count counts: what reads everything is told from what does not.
        self::assertGreaterThan(30_000, $this->rows(fn () => $this->workbench()->fetchOne(<<<'SQL'
            SELECT count(summary || description) FROM (SELECT summary, address AS description FROM place UNION ALL
            SELECT summary, address FROM live.place) p
            SQL)));
    }

    /** @return array<string, int> rows read */
    private function costs(): array
    {
        $check = $this->service(LinkCheck::class);
        while (!$check->catchUp()) {
            $this->service(\Lantern\Workbench\Findings\Inspection::class)->walk(\Lantern\Core\Release\CopyName::Workbench);
            $this->service(\Lantern\Workbench\Findings\Inspection::class)->walk(\Lantern\Core\Release\CopyName::Live);
        }
        $publisher = $this->service(Publisher::class);
        $this->edit();

        return [
            'the link check after an edit' => $this->rows(static fn (): bool => $check->catchUp()),
            'what waits' => $this->rows(fn () => $this->service(ReleaseReader::class)->waiting()),
            'a release of one title' => $this->rows(static fn () => $publisher->publish(Actor::commandLine('Joss'))),
            'the link check after it' => $this->rows(static fn (): bool => $check->catchUp()),
            'a product by a node that has kept nothing' => $this->rows(fn () => $this->page('/papers/marbled/thistle')),
            'a page by a node that has kept nothing' => $this->rows(fn () => $this->page('/help')),
            'a page of the table of places' => $this->rows(fn () => $this->service(PlaceTable::class)->page(new PlaceFilter(), null)),
        ];
    }

    private function edit(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE place SET title = title || ' 2', version = version + 1 WHERE address = '/tools/knives' OR address = '/papers/marbled'
            SQL);
    }

    private function page(string $path): string
    {
        $kernel = new Kernel('test', false, 'storefront');
        $kernel->boot();
        $container = $kernel->getContainer()->get('test.service_container');
        self::assertInstanceOf(ContainerInterface::class, $container);
        $copies = $container->get(Copies::class);
        $pages = $container->get(Pages::class);
        self::assertInstanceOf(Copies::class, $copies);
        self::assertInstanceOf(Pages::class, $pages);
        $html = $copies->live->snapshot(static function () use ($copies, $pages, $path): string {
            $visit = new Visit($copies->live, Visitor::guest(new \DateTimeImmutable()), '', $path, false);

            return (string) $pages->page(
                $visit,
                (new Answerer($copies->live->places, $copies->live->rules))->answer(Address::parse($path)->encoded(), $visit->visitor),
                Request::create($path),
            )->getContent();
        });
        $connection = $container->get('doctrine.dbal.live_connection');
        self::assertInstanceOf(Connection::class, $connection);
        $connection->executeQuery('SELECT pg_stat_force_next_flush()');
        $kernel->shutdown();

        return $html;
    }

    /** @param \Closure(): mixed $do */
    private function rows(\Closure $do): int
    {
        $before = $this->read();
        $do();

        return $this->read() - $before;
    }

    private function read(): int
    {
        foreach (['doctrine.dbal.workbench_connection', 'doctrine.dbal.live_connection'] as $name) {
            $connection = self::getContainer()->get($name);
            self::assertInstanceOf(Connection::class, $connection);
            $connection->executeQuery('SELECT pg_stat_force_next_flush()');
        }
        $rows = $this->server('lantern_test')->query(<<<'SQL'
            SELECT sum(seq_tup_read + COALESCE(idx_tup_fetch, 0))::bigint FROM pg_stat_user_tables
            SQL);

        return (int) ($rows ? $rows->fetchColumn() : 0);
    }

    /**
     * Eleven thousand products in two hundred categories, four thousand articles with links, six thousand redirects, and a header that has
     * some of it.
     */
    private function grow(): void
    {
        $this->server('lantern_test')->exec(<<<'SQL'
            ALTER TABLE workbench.place DISABLE TRIGGER USER; ALTER TABLE workbench.redirect DISABLE TRIGGER USER; ALTER TABLE
                workbench.words DISABLE TRIGGER touched;
            INSERT INTO workbench.place (id, kind, title, address, parent_id)
                SELECT gen_random_uuid(), 'category', 'Shelf ' || n, '/shelves/many-' || n, NULL FROM generate_series(1, 200) n;
            INSERT INTO workbench.place (id, kind, title, address, changed_at)
                SELECT gen_random_uuid(), 'product', 'Board ' || n, '/products/many-' || n, now() - n * interval '1 minute'
                FROM generate_series(1, 11000) n;
            INSERT INTO workbench.place (id, kind, title, address, parent_id, published_on)
                SELECT gen_random_uuid(), 'article', 'Note ' || n, '/journal/many-' || n, (SELECT id FROM workbench.place
                WHERE kind = 'journal'), date '2020-01-01' + n % 900 FROM generate_series(1, 4000) n;
            INSERT INTO catalogue.product (id, sku, price, stock, weight, maker, tags, new_since)
                SELECT id, 'M-' || address, 100, 1, 1, 'x', ARRAY['many'], date '2020-01-01' FROM workbench.place
                WHERE address LIKE '/products/many-%';
            INSERT INTO catalogue.standing
                SELECT (SELECT id FROM workbench.place WHERE address = '/shelves/many-' || 1 + (right(p.address, 3)::int % 200)), p.id, 1
                FROM workbench.place p WHERE p.address ~ '^/products/many-\d{3,}$';
            INSERT INTO workbench.words SELECT id, '<p><a href="/products/many-' || (1 + ascii(right(address, 1))) || '">this</a></p>'
                FROM workbench.place WHERE address LIKE '/journal/many-%';
            INSERT INTO workbench.redirect (id, source, goal_place_id, status)
                SELECT gen_random_uuid(), '/was/many-' || row_number() OVER (), p.id, 301 FROM workbench.place p
                WHERE p.address LIKE '/products/many-____';
            INSERT INTO journal.redirect_tally SELECT count(*) FROM workbench.redirect WHERE source LIKE '/was/many-%';
            INSERT INTO journal.visit SELECT '/products/many-' || n, CURRENT_DATE - 1, 2 FROM generate_series(1, 4000) n;
            INSERT INTO live.place SELECT * FROM workbench.place w WHERE NOT EXISTS (SELECT FROM live.place l WHERE l.id = w.id);
            INSERT INTO live.redirect SELECT * FROM workbench.redirect w WHERE NOT EXISTS (SELECT FROM live.redirect l WHERE l.id = w.id);
            INSERT INTO live.words SELECT * FROM workbench.words w WHERE NOT EXISTS (SELECT FROM live.words l WHERE l.id = w.id);
            ALTER TABLE workbench.place ENABLE TRIGGER USER; ALTER TABLE workbench.redirect ENABLE TRIGGER USER; ALTER TABLE
                workbench.words ENABLE TRIGGER touched;
            ANALYZE
            SQL);
    }
}

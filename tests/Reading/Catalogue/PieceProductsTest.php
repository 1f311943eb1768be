<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Catalogue;

use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Piece\ProductOrder;
use Lantern\Core\Piece\Products;
use Lantern\Core\Piece\ProductSource;
use Lantern\Core\Visitor;
use Lantern\Demo\DemoId;
use Lantern\Reading\Catalogue\PieceProducts;
use Lantern\Reading\Catalogue\ShopReader;
use Lantern\Reading\Catalogue\WantedProducts;
use Lantern\Reading\Copies\Copies;
use Lantern\Tests\ShopTestCase;
use PHPUnit\Framework\Attributes\DataProvider;

final class PieceProductsTest extends ShopTestCase
{
    /** @return iterable<string, array{ProductSource, string}> */
    public static function sources(): iterable
    {
        foreach (['papers', 'marbled', 'tools', 'kits'] as $category) {
            yield "the category $category" => [ProductSource::Place, "categories/$category"];
        }
        yield 'a tag' => [ProductSource::Tag, ''];
        yield 'what is reduced' => [ProductSource::Reduced, ''];
        yield 'what is featured' => [ProductSource::Featured, ''];
        yield 'the newest' => [ProductSource::Newest, ''];
    }

    /** Whether there are few candidates, which are put in order, or many, among which the first in order are looked for. */
    #[DataProvider('sources')]
    public function testTheSameAreFoundInEitherWay(ProductSource $source, string $of): void
    {
        $copy = $this->service(Copies::class)->live;
        $place = '' === $of ? null : $copy->places->get(DemoId::of($of));
        $tag = ProductSource::Tag === $source
            ? $this->value('SELECT tag FROM (SELECT unnest(tags) AS tag FROM product) t GROUP BY 1 ORDER BY count(*) DESC, 1 LIMIT 1')
            : '';
        foreach (ProductOrder::cases() as $order) {
            $wanted = ['x' => new WantedProducts(new Products($source, $tag, 5, $order), $place, new Narrowing())];
            $found = fn (int $few): array => (new PieceProducts($this->workbench(), new ShopReader($this->workbench()), $few))->chosen(
                $wanted,
                Filters::of([]),
                Visitor::guest(new \DateTimeImmutable()),
            )->ids['x'];
            self::assertNotSame([], $found(0));
            self::assertSame($found(100_000), $found(0), $order->value);
            self::assertSame($found(100_000), $found(3), $order->value);
        }
    }

    /** What is chosen by one plan for all categories must not walk through the goods of all others to find those of a small one. */
    public function testASmallCategoryIsNotLookedForAmongAllProducts(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO place (id, kind, title, address) SELECT md5(n::text)::uuid, 'product', 'Aaa ' || n, '/products/many-' || n
            FROM generate_series(1, 8000) n
            SQL);
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO product (id, sku, price, stock, weight, maker, new_since)
            SELECT md5(n::text)::uuid, 'M-' || n, 100, 1, 1, 'x', CURRENT_DATE FROM generate_series(1, 8000) n
            SQL);
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO standing SELECT ?, md5(n::text)::uuid, 0 FROM generate_series(1, 8000) n
            SQL, [DemoId::of('categories/tools')]);
        $this->workbench()->executeStatement('ANALYZE');
        $copy = $this->service(Copies::class)->workbench;
        $wanted = ['x' => new WantedProducts(new Products(most: 5), $copy->places->get(DemoId::of('categories/combed')), new Narrowing())];
        $this->workbench()->executeStatement("SET plan_cache_mode = 'force_generic_plan'");
        $read = fn (): int => (int) $this->value(<<<'SQL'
            SELECT idx_tup_fetch + seq_tup_read FROM pg_stat_xact_user_tables WHERE relid = 'place'::regclass
            SQL);
        $this->workbench()->beginTransaction();
        $before = $read();
        $found = (new PieceProducts($this->workbench(), new ShopReader($this->workbench())))->chosen(
            $wanted,
            Filters::of([]),
            Visitor::guest(new \DateTimeImmutable()),
        )->ids['x'];
        $rows = $read() - $before;
        $this->workbench()->rollBack();
        self::assertNotSame([], $found);
        self::assertLessThan(1000, $rows, 'rows of places that were read');
    }
}

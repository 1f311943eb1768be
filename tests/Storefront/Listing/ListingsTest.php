<?php

declare(strict_types=1);

namespace Lantern\Tests\Storefront\Listing;

use Lantern\Kernel;
use Lantern\Tests\ShopTestCase;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\DomCrawler\Crawler;
use Symfony\Component\HttpFoundation\Request;

final class ListingsTest extends ShopTestCase
{
    public function testAListingIsNarrowedByItsAddressAndSaysHowMany(): void
    {
        $page = $this->page('/papers?tag=acid-free&price-to=7&sort=price');
        $expected = $this->value(<<<'SQL'
            SELECT count(*) FROM catalogue.product f WHERE 'acid-free' = ANY (f.tags) AND price <= 700
            AND EXISTS (SELECT FROM catalogue.standing s JOIN live.place c ON c.id = s.category_id WHERE s.product_id = f.id
            AND c.address LIKE '/papers/%')
            SQL);
        self::assertSame("$expected products", $page->filter('.listed__count')->text());
        self::assertCount((int) $expected, $page->filter('.listed .product-card'));
        $prices = $page->filter('.listed .price')->each(static fn (Crawler $price): float => (float) preg_replace(
            '/^.*€ ([0-9.]+).*$/su',
            '$1',
            $price->text(),
        ));
        $sorted = $prices;
        sort($sorted);
        self::assertSame($sorted, $prices);
        self::assertSame('/papers?tag=acid-free&price-to=7&sort=price', $page->filter('[data-listing]')->attr('data-listing'));
        self::assertSame(
            ['/papers?tag=acid-free&sort=price', '/papers?price-to=7&sort=price', '/papers'],
            $page->filter('.chosen a')->each(static fn (Crawler $link): string => (string) $link->attr('href')),
        );
    }

    public function testTheCountBesideAChoiceIsWhatItsAddressLists(): void
    {
        $page = $this->page('/papers?tag=acid-free');
        $counts = [];
        foreach ($page->filter('[data-filter="tag"] .choice') as $choice) {
            $choice = new Crawler($choice);
            $counts[(string) $choice->filter('input')->attr('value')] = (int) $choice->filter('.choice__count')->text();
        }
        self::assertGreaterThan(3, \count($counts));
        foreach ($counts as $tag => $count) {
            self::assertSame($count, (int) $this->page('/papers?tag='.urlencode($tag))->filter('.listed__count')->text(), $tag);
        }
    }

    public function testNarrowedAndOrderedPagesStayOutOfSearchEnginesAndLaterPagesAreTheirOwn(): void
    {
        $canonical = static fn (Crawler $page): array => [
            $page->filter('link[rel="canonical"]')->attr('href'),
            $page->filter('meta[name="robots"]')->count() > 0 ? $page->filter('meta[name="robots"]')->attr('content') : null,
        ];
        $host = $this->host();
        self::assertSame(["$host/papers", null], $canonical($this->page('/papers')));
        self::assertSame(["$host/papers", 'noindex, follow'], $canonical($this->page('/papers?tag=marbled')));
        self::assertSame(["$host/papers", 'noindex, follow'], $canonical($this->page('/papers?sort=price')));
        self::assertSame(
            ["$host/papers", null],
            $canonical($this->page('/papers?colour=red&tag=nobody-has-it')),
            'what nobody knows narrows nothing',
        );
        $second = (string) $this->page('/papers')->filter('a[rel="next"]')->attr('href');
        self::assertSame([$host.$second, null], $canonical($this->page($second)));
        self::assertSame(["$host/papers", 'noindex, follow'], $canonical($this->page("$second&tag=acid-free")));
    }

    public function testAnEmptyListingSaysWhatToTakeOut(): void
    {
        $page = $this->page('/papers?tag=mending&price-from=900');
        self::assertSame('0 products', $page->filter('.listed__count')->text());
        self::assertStringContainsString('Without Price: from 900 there would be 4 products', $page->filter('.empty')->text());
        self::assertSame('/papers?tag=mending', $page->filter('.empty a')->attr('href'));
    }

    public function testAFormSendsAlongWhatItDoesNotShow(): void
    {
        $page = $this->page('/papers?maker=Hollin+Mill&tag=acid-free&sort=name');
        self::assertSame(
            [['maker', 'Hollin Mill'], ['sort', 'name']],
            $page->filter('.filters input[type="hidden"]')->each(static fn (Crawler $field): array => [
                (string) $field->attr('name'),
                (string) $field->attr('value'),
            ]),
        );
        self::assertSame(
            [['maker', 'Hollin Mill'], ['tag', 'acid-free']],
            $page->filter('.listed__sort input[type="hidden"]')->each(static fn (Crawler $field): array => [
                (string) $field->attr('name'),
                (string) $field->attr('value'),
            ]),
        );
    }

    #[DataProvider('bad')]
    public function testBadInputNarrowsWhatItCan(string $query): void
    {
        $page = $this->page("/papers?$query");
        self::assertGreaterThan(0, (int) $page->filter('.listed__count')->text());
    }

    /** @return iterable<string, array{string}> */
    public static function bad(): iterable
    {
        yield 'a thousand choices' => [implode('&', array_map(static fn (int $n): string => "maker=$n&tag=t$n", range(1, 500)))];
        yield 'prices that are none' => ['price-from=9e99&price-to=ten'];
        yield 'names that are none' => ['option.%00=x&option%5B%5D=&option.[a][b]=c&[]=1&option.=x&option[]=&=y'];
        yield 'two megabytes' => ['option.'.str_repeat('n', 2_000_000).'=x&maker='.str_repeat('m', 100)];
        yield 'a cursor of nothing' => ['after=00000000-0000-7000-8000-000000000000&sort=price'];
        yield 'a cursor that is none' => ["after='%00&sort=sideways"];
        yield 'a choice that was renamed' => ['option.Sheet+size=50+x+70&tag=marbeld'];
        yield 'a category that is none' => ['category=nothing/here&category=%2F%2F'];
        yield 'bytes that are no text' => ["maker=%FF%FE&\xff=\xfe"];
    }

    public function testACursorOfAnotherOrderGoesOnWhereItsProductStands(): void
    {
        $second = (string) $this->page('/products?sort=name')->filter('a[rel="next"]')->attr('href');
        $page = $this->page(str_replace('sort=name', 'sort=price', $second));
        self::assertGreaterThan(0, $page->filter('.listed .product-card')->count());
    }

    public function testAnEntryMayLeadToACategoryWithinAListing(): void
    {
        $page = $this->page('/products?category=papers%2Fplain&category=gone');
        self::assertSame(
            ['Category Plain papers'],
            $page->filter('.chosen a')->each(static fn (Crawler $link): string => trim((string) preg_replace(
                '/\s+/',
                ' ',
                str_replace('Take out', '', $link->text()),
            ))),
        );
        self::assertSame($this->page('/papers/plain')->filter('.listed__count')->text(), $page->filter('.listed__count')->text());
        $this->workbench()->executeStatement("UPDATE live.place SET light = 'closed', title = 'A secret' WHERE address = '/papers/plain'");
        self::assertStringNotContainsString(
            'A secret',
            $this->page('/products?category=papers%2Fplain')->filter('main')->html(),
            'what is closed cannot be guessed at',
        );
    }

    private function page(string $target): Crawler
    {
        $kernel = new Kernel('test', false, 'storefront');
        $response = $kernel->handle(Request::create($target));
        $kernel->shutdown();
        self::assertSame(200, $response->getStatusCode(), substr($target, 0, 200));

        return new Crawler((string) $response->getContent());
    }

    private function host(): string
    {
        return \is_string($_SERVER['LANTERN_STOREFRONT_URL'] ?? null) ? $_SERVER['LANTERN_STOREFRONT_URL'] : '';
    }

    public function testACursorThatIsNobodysIsTheFirstPage(): void
    {
        $page = $this->page('/products?after=01930000-0000-7000-8000-00000000dead');
        self::assertStringEndsWith('/products', (string) $page->filter('link[rel="canonical"]')->attr('href'));
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Storefront\Search;

use Lantern\Kernel;
use Lantern\Tests\ShopTestCase;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\DomCrawler\Crawler;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

final class SearchesTest extends ShopTestCase
{
    public function testASlipIsForgivenAndWhatIsFoundCanBeNarrowed(): void
    {
        $page = new Crawler((string) $this->ask('/search?q=linnen+thred')->getContent());
        self::assertSame('11 products', $page->filter('.listed__count')->text());
        self::assertStringContainsString('linen thread', strtolower($page->filter('.listed .product-card')->first()->text()));
        self::assertSame(['Linen thread'], $page->filter('.found a')->each(static fn (Crawler $link): string => $link->text()));
        self::assertSame('linnen thred', $page->filter('.filters input[name="q"]')->attr('value'));
        $tag = $page->filter('[data-filter="tag"] .choice')->first();
        $narrowed = new Crawler(
            (string) $this->ask('/search?q=linnen+thred&tag='.urlencode((string) $tag->filter('input')->attr('value')))->getContent(),
        );
        self::assertSame((int) $tag->filter('.choice__count')->text(), (int) $narrowed->filter('.listed__count')->text());
        self::assertSame('/search?q=linnen+thred', $narrowed->filter('.chosen a')->attr('href'));
        self::assertSame('noindex', $narrowed->filter('meta[name="robots"]')->attr('content'), 'a search is nothing for search engines');
    }

    public function testWordsLeadToAPlaceAtOnceWhereTheShopSaysSo(): void
    {
        $place = $this->value("SELECT id FROM live.place WHERE address = '/journal'");
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO live.setting VALUES ('search_word.news and stories', to_jsonb(CAST(? AS text)))
            SQL, [$place]);
        $answer = $this->ask('/search?q=News++and+STORIES&tag=gift');
        self::assertSame(
            [302, '/journal', 'no-store, private'],
            [$answer->getStatusCode(), $answer->headers->get('Location'), $answer->headers->get('Cache-Control')],
        );
        self::assertSame(200, $this->ask('/search?q=news')->getStatusCode());
        $this->workbench()->executeStatement("UPDATE live.place SET light = 'closed' WHERE id = ?", [$place]);
        self::assertSame(200, $this->ask('/search?q=news+and+stories')->getStatusCode(), 'a place that is closed is no answer');
    }

    public function testWhatIsNotFoundIsCountedByDay(): void
    {
        foreach ([
            '/search?q=Velociraptor+glue',
            '/search?q=velociraptor++GLUE',
            '/search?q=paper',
            '/search?q=paper&price-from=9999',
            '/search?q=',
        ] as $target) {
            $this->ask($target);
        }
        self::assertSame('velociraptor glue 2', $this->value("SELECT string_agg(words || ' ' || count, '|') FROM journal.missed_search"));
    }

    public function testSuggestionsComeInOneStatementAndHideWhatIsHidden(): void
    {
        $found = json_decode((string) $this->ask('/-/suggestions?q=mar')->getContent(), true);
        self::assertIsArray($found);
        self::assertIsArray($found['found']);
        self::assertContains('Marbled papers', array_column($found['found'], 'title'));
        self::assertContains('/papers/marbled', array_column($found['found'], 'address'));
        $this->workbench()->executeStatement("UPDATE live.place SET light = 'quiet' WHERE address = '/papers/marbled'");
        self::assertStringNotContainsString('/papers/marbled"', (string) $this->ask('/-/suggestions?q=mar')->getContent());
        self::assertSame('{"found":[]}', (string) $this->ask('/-/suggestions?q=')->getContent());
    }

    #[DataProvider('bad')]
    public function testBadInputFindsNothingAndFailsNever(string $query): void
    {
        self::assertSame(200, $this->ask("/search?$query")->getStatusCode());
        self::assertSame(200, $this->ask("/-/suggestions?$query")->getStatusCode());
    }

    /** @return iterable<array{string}> */
    public static function bad(): iterable
    {
        yield ['q[]=a&q%5B%5D=b'];
        yield ['q=%00%FF'];
        yield ['q=%27%27%5C+%26+%7C+%21+%28+%3A%2A+%3A%40'];
        yield ['q='.str_repeat('a+', 2000)];
        yield ['q='.str_repeat('ab', 2000)];
        yield ['q=%3Cscript%3E+%3C-%3E+thread%3AA'];
        yield ['q=%E2%80%AE%F0%9F%A7%B5'];
        yield ['q=paper&after=00000000-0000-7000-8000-000000000000&sort=newest'];
        yield ['q=paper&maker=%00&option.=x&price-from=9e99'];
    }

    private function ask(string $target): Response
    {
        $kernel = new Kernel('test', false, 'storefront');
        $request = Request::create($target);
        $response = $kernel->handle($request);
        $kernel->terminate($request, $response);
        $kernel->shutdown();

        return $response;
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Story;

use Lantern\Core\Impact\Steps;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\PlaceKind;
use Lantern\Demo\DemoId;
use Lantern\Kernel;
use Lantern\Reading\Mentions\LinkReader;
use Lantern\Reading\Sql\Row;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Publishing\Publisher;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * The promise in the product's name, asked of the storefront itself: making a place quiet takes it out
 * of menus and lists, and changes nothing else about any answer.
 */
final class PromiseTest extends ShopTestCase
{
    private Kernel $storefront;

    protected function setUp(): void
    {
        parent::setUp();
        $this->storefront = new Kernel('test', false, 'storefront');
        $this->storefront->boot();
    }

    protected function tearDown(): void
    {
        $this->storefront->shutdown();
        parent::tearDown();
    }

    public function testMakingEveryPlaceQuietChangesNoAnswer(): void
    {
        $addresses = $this->workbench()->fetchFirstColumn(<<<'SQL'
            SELECT address FROM place UNION SELECT source FROM redirect UNION SELECT source || '/x' FROM redirect WHERE is_prefix UNION
            SELECT address FROM journal.missed_visit UNION SELECT upper(address) || '/' FROM place WHERE kind = 'category'
            SQL);
        $before = $this->answers($addresses);
        self::assertGreaterThan(220, \count($before));
        self::assertContains('404', array_map(static fn (string $answer): string => substr($answer, 0, 3), $before));
        $this->workbench()->executeStatement("UPDATE place SET light = 'quiet' WHERE light = 'open'");
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        self::assertSame($before, $this->answers($addresses));
    }

    /** What stands above a page is a link, whether menus show it or not; as data, too. Closed, it is words. */
    public function testWhatIsQuietStaysInEveryBreadcrumb(): void
    {
        $addresses = array_values(array_filter($this->workbench()->fetchFirstColumn(<<<'SQL'
            SELECT address FROM place WHERE light = 'open' AND kind NOT IN ('front-page', 'search', 'file') ORDER BY address
            SQL), \is_string(...)));
        $crumbs = fn (): array => array_combine($addresses, array_map(function (string $address): array {
            $html = (string) $this->ask($address)->getContent();
            preg_match('~<nav class="breadcrumb".*?</nav>~s', $html, $nav);
            preg_match('~\{"@type":"BreadcrumbList".*?\]\}~s', $html, $data);

            return [$nav[0] ?? '', $data[0] ?? ''];
        }, $addresses));
        $before = $crumbs();
        self::assertGreaterThan(180, \count(array_filter($before, static fn (array $one): bool => '' !== $one[0] && '' !== $one[1])));
        $this->workbench()->executeStatement("UPDATE place SET light = 'quiet' WHERE light = 'open'");
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        self::assertSame($before, $crumbs());
        $this->workbench()->executeStatement("UPDATE place SET light = 'closed' WHERE address = '/papers/block/small-repeats'");
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        $product = (string) $this->ask('/products/sprig-paper-brick-red')->getContent();
        preg_match('~<nav class="breadcrumb".*?</nav>~s', $product, $nav);
        self::assertStringContainsString('Small repeats', $nav[0] ?? '');
        self::assertStringNotContainsString('/papers/block/small-repeats', $nav[0] ?? '');
    }

    /**
     * Every address of the shop, with every light, every answer for closed places and both audiences
     * in turn: what is answered is what the light says, and only what is open is in a menu.
     */
    public function testEveryAddressWithEveryLight(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Xoshiro256StarStar(2611));
        $lights = ['open', 'quiet', 'closed'];
        $answers = ['not-found' => 404, 'gone' => 410, 'elsewhere' => 302];
        $places = $this->workbench()->fetchAllAssociative(<<<'SQL'
            SELECT id, address, kind, title, (SELECT count(*) FROM redirect r WHERE r.source = p.address) AS sources FROM place p
            WHERE kind <> 'search' ORDER BY id
            SQL);
        $shift = $random->getInt(0, 2);
        for ($round = 0; $round < 3; ++$round) {
            $chosen = [];
            foreach ($places as $n => $columns) {
                $place = new Row($columns);
                $isFixed = PlaceKind::from($place->text('kind'))->isFixed();
                // Over three rounds each place has each light once.
                $light = $isFixed ? 'open' : $lights[($n + $round + $shift) % 3];
                $chosen[$place->text('id')] = [$place, $light, array_keys($answers)[$random->getInt(0, 2)]];
            }
            $this->workbench()->executeStatement(<<<'SQL'
                UPDATE place p SET light = c.light, closed_answer = c.answer, closed_to = :front
                FROM jsonb_to_recordset(CAST(:chosen AS jsonb)) AS c(id uuid, light text, answer text) WHERE p.id = c.id
                SQL, [
                'front' => DemoId::of('fixed/front'),
                'chosen' => json_encode(
                    array_map(
                        static fn (string $id, array $one): array => ['id' => $id, 'light' => $one[1], 'answer' => $one[2]],
                        array_keys($chosen),
                        $chosen,
                    ),
                    \JSON_THROW_ON_ERROR,
                ),
            ]);
            $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
            $navigation = (string) $this->ask('/navigation.json')->getContent();
            $sitemap = (string) $this->ask('/sitemap.xml')->getContent();
            foreach ($chosen as [$place, $light, $answer]) {
                $address = $place->text('address');
                $expected = 'closed' === $light ? $answers[$answer] : 200;
                $response = $this->ask($address);
                self::assertSame($expected, $response->getStatusCode(), "$address, $light, $answer");
                self::assertSame(302 === $expected ? '/' : null, $response->headers->get('Location'), $address);
                self::assertSame(
                    'closed' !== $light,
                    str_contains($sitemap, "$address</loc>") || '/' === $address,
                    "$address, $light, in the sitemap",
                );
                if ('open' !== $light) {
                    self::assertStringNotContainsString('"'.$address.'"', $navigation, "$address, $light, in a menu");
                }
            }
        }
    }

    public function testAFileIsServedAsItShallBe(): void
    {
        $headers = fn (): array => array_map(
            fn (string $name): ?string => $this->ask('/files/paper-grain-chart.pdf')->headers->get($name),
            ['Content-Type', 'Content-Disposition', 'X-Content-Type-Options'],
        );
        self::assertSame(['application/pdf', 'inline; filename=paper-grain-chart.pdf', 'nosniff'], $headers());
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE place SET serving = 'download', download_name = 'Körnung.pdf', listed = false
            WHERE address = '/files/paper-grain-chart.pdf'
            SQL);
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        self::assertSame(
            ['application/pdf', "attachment; filename=K--rnung.pdf; filename*=utf-8''K%C3%B6rnung.pdf", 'nosniff'],
            $headers(),
        );
        self::assertSame('noindex', $this->ask('/files/paper-grain-chart.pdf')->headers->get('X-Robots-Tag'));
        self::assertStringNotContainsString('paper-grain-chart', (string) $this->ask('/sitemap.xml')->getContent());

        self::assertStringNotContainsString(
            'target="_blank"',
            (string) $this->ask('/binding-guides/which-way-the-grain-runs')->getContent(),
        );
        $this->workbench()->executeStatement("UPDATE place SET serving = 'new-tab' WHERE address = '/files/paper-grain-chart.pdf'");
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        self::assertStringContainsString(
            'href="/files/paper-grain-chart.pdf" target="_blank" rel="noopener"',
            (string) $this->ask('/binding-guides/which-way-the-grain-runs')->getContent(),
        );
    }

    /** The steps that the program tells are those that somebody would need who follows links by hand. */
    public function testStepsAreThoseOfAWalkThroughTheShop(): void
    {
        $steps = ['/' => 0];
        $here = ['/'];
        for ($far = 1; [] !== $here && $far < 8; ++$far) {
            $next = [];
            foreach ($here as $path) {
                preg_match_all('/<a [^>]*href="(\/[^"?#]*)[^"]*"/', (string) $this->ask($path)->getContent(), $links);
                foreach (array_unique($links[1]) as $link) {
                    if (!isset($steps[$link])) {
                        $steps[$link] = $far;
                        $next[] = $link;
                    }
                }
            }
            $here = $next;
        }
        $places = $this->pairs("SELECT id, address FROM place WHERE light <> 'closed'");
        $told = (new Steps($this->service(LinkReader::class), DemoId::of('fixed/front')))->to(array_keys($places));
        $checked = 0;
        foreach ($places as $id => $address) {
            // A list of many pages shows some of its products only after a step or two more.
            if (!str_starts_with($address, '/products/')) {
                self::assertSame($steps[$address] ?? null, $told[$id], $address);
                ++$checked;
            }
        }
        self::assertGreaterThan(70, $checked);
    }

    public function testAQuietPlaceIsInNoMenuAndNoList(): void
    {
        self::assertStringContainsString('Calendar kits', (string) $this->ask('/kits')->getContent());
        $this->workbench()->executeStatement("UPDATE place SET light = 'quiet' WHERE address = '/kits/calendar-kits'");
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        foreach (['/', '/kits', '/products', '/search?q=calendar', '/nothing-here', '/navigation.json'] as $path) {
            self::assertStringNotContainsString('Calendar kits', (string) $this->ask($path)->getContent(), $path);
        }
        $itself = $this->ask('/kits/calendar-kits');
        self::assertSame(200, $itself->getStatusCode());
        self::assertStringNotContainsString('noindex', (string) $itself->getContent());
        self::assertStringContainsString('/kits/calendar-kits</loc>', (string) $this->ask('/sitemap.xml')->getContent());
    }

    public function testTheBreadcrumbAboveAClosedPlaceIsWordsOnly(): void
    {
        $link = '<a href="/kits">Kits</a></li>';
        self::assertStringContainsString($link, (string) $this->ask('/kits/first-kits')->getContent());
        foreach (['quiet' => true, 'closed' => false] as $light => $isLink) {
            $this->workbench()->executeStatement("UPDATE place SET light = ? WHERE address = '/kits'", [$light]);
            $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
            $page = (string) $this->ask('/kits/first-kits')->getContent();
            self::assertSame($isLink, str_contains($page, $link), $light);
            self::assertStringContainsString('Kits', $page);
        }
    }

    public function testWhatIsNotListedSaysSoInThePageAndTheHeader(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE place SET listed = false WHERE address IN ('/policies/privacy', '/files/paper-grain-chart.pdf')
            SQL);
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        $page = $this->ask('/policies/privacy');
        self::assertStringContainsString('<meta name="robots" content="noindex">', (string) $page->getContent());
        self::assertSame('noindex', $page->headers->get('X-Robots-Tag'));
        self::assertStringNotContainsString('/policies/privacy<', (string) $this->ask('/sitemap.xml')->getContent());
    }

    public function testCustomersSeeWhatIsTheirs(): void
    {
        $this->workbench()->executeStatement("UPDATE place SET audience = 'customers' WHERE address = '/buying-for-a-bindery'");
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        self::assertSame(403, $this->ask('/buying-for-a-bindery')->getStatusCode());
        $signedIn = $this->storefront->handle($this->request('/sign-in', 'POST'));
        self::assertSame(303, $signedIn->getStatusCode());
        $cookie = $signedIn->headers->getCookies()[0];
        self::assertTrue($cookie->isHttpOnly());
        self::assertSame('lax', $cookie->getSameSite());
        self::assertSame(200, $this->ask('/buying-for-a-bindery', ['customer' => (string) $cookie->getValue()])->getStatusCode());
        self::assertSame(403, $this->ask('/buying-for-a-bindery', ['customer' => '9999999999.'.str_repeat('0', 64)])->getStatusCode());
    }

    public function testVisitsAndMissedVisitsAreCounted(): void
    {
        foreach (['/papers', '/PAPERS', '/not-there', '/not-there', '/%zz'] as $path) {
            $request = $this->request($path);
            $this->storefront->terminate($request, $this->storefront->handle($request));
        }
        self::assertSame('2', $this->value("SELECT count FROM journal.missed_visit WHERE address = '/not-there'"));
        self::assertSame('2', $this->value("SELECT count FROM journal.visit WHERE address = '/papers' AND day = CURRENT_DATE"));
    }

    /**
     * @param list<mixed> $addresses
     *
     * @return array<string, string> status and where it leads, by address
     */
    private function answers(array $addresses): array
    {
        $answers = [];
        foreach ($addresses as $address) {
            self::assertIsString($address);
            foreach ([[], ['customer' => $this->customer()]] as $cookies) {
                $response = $this->ask($address, $cookies);
                $content = (string) $response->getContent();
                preg_match('#<h1>(.*?)</h1>#s', $content, $heading);
                preg_match('#<title>(.*?)</title>#s', $content, $title);
                $robots = str_contains($content, 'name="robots"') ? 'noindex' : '';
                $answers[$address.([] === $cookies ? '' : ' as customer')] = implode(
                    ' ',
                    [
                        $response->getStatusCode(),
                        $response->headers->get('Location'),
                        $response->headers->get('X-Robots-Tag'),
                        $robots,
                        $heading[1] ?? '',
                        $title[1] ?? '',
                    ],
                );
            }
        }

        return $answers;
    }

    private function customer(): string
    {
        static $cookie = null;
        $cookie ??= (string) $this->storefront->handle($this->request('/sign-in', 'POST'))->headers->getCookies()[0]->getValue();
        \assert(\is_string($cookie));

        return $cookie;
    }

    /** @param array<string, string> $cookies */
    private function ask(string $path, array $cookies = []): Response
    {
        return $this->storefront->handle($this->request($path, cookies: $cookies));
    }

    /** @param array<string, string> $cookies */
    private function request(string $path, string $method = 'GET', array $cookies = []): Request
    {
        $request = Request::create('http://127.0.0.1'.$path, $method, cookies: $cookies);
        $request->server->set('REQUEST_URI', $path);

        return $request;
    }
}

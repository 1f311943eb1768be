<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Crawl;

use Lantern\Core\Release\CopyName;
use Lantern\Demo\DemoId;
use Lantern\Kernel;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Crawl\AskedPage;
use Lantern\Workbench\Crawl\Crawl;
use Lantern\Workbench\Crawl\CrawlFault;
use Lantern\Workbench\Crawl\PageSource;
use Lantern\Workbench\Findings\Inspection;
use Symfony\Component\HttpFoundation\Request;

/** The second opinion: whatever is broken in the rendered shop, the link check knows of. */
final class CrawlTest extends ShopTestCase
{
    /**
     * After edits of every sort: links with the shop's domain, parts of the same page and behind a query or a redirect, what is reserved,
     * pictures, redirects for all below.
     */
    public function testItAgreesAfterEditsHoweverALinkIsWritten(): void
    {
        $shop = $_SERVER['LANTERN_STOREFRONT_URL'] ?? '';
        self::assertIsString($shop);
        $html = implode('', array_map(static fn (string $href): string => "<p><a href=\"$href\">x</a></p>", [
            "$shop/no/such/page", "$shop/threads-and-cords/silk?from=letter", '#no-such-part', '/papers?tag=valley#nope', '/how-to#nope',
            '/-/nothing-at-all', '/sitemap-7.xml', '/one-pre/x', '#main', 'place:'
                .DemoId::of('pages/which-grain').'#nothing', '/is/nowhere',
        ]));
        $picture = 'uploads/'.str_repeat('a', 64).'.png';
        foreach ([
            ['UPDATE words SET html = ? WHERE id = ?', [$html, DemoId::of('pages/our-story')]],
            ["UPDATE place SET light = 'closed' WHERE id = ?", [DemoId::of('categories/silk')]],
            ['DELETE FROM place WHERE id = ?', [DemoId::of('files/grain-chart')]],
            ["UPDATE redirect SET goal_place_id = NULL, goal_address = '/is/nowhere-else' WHERE source = '/how-to'", []],
            ["UPDATE entry SET part = 'no-such-part' WHERE place_id = ?", [DemoId::of('pages/paying')]],
            [<<<'SQL'
                INSERT INTO redirect (id, source, is_prefix, goal_address, status)
                VALUES (gen_random_uuid(), '/one-pre', true, '/one-nowhere', 301)
                SQL, []],
            [<<<'SQL'
                INSERT INTO entry (id, menu_id, position, target_kind, label, uri)
                SELECT gen_random_uuid(), menu_id, 77, 'outside', 'Ours', ? FROM bay WHERE id = 'header'
                SQL, ["$shop/no/such/entry"]],
            [<<<'SQL'
                UPDATE place SET file = jsonb_set(file, '{stored}', to_jsonb(CAST(? AS text))), light = 'closed' WHERE id = ?
                SQL, [$picture, DemoId::of('files/folding-still')]],
        ] as [$sql, $parameters]) {
            $this->workbench()->executeStatement($sql, $parameters);
        }
        $report = $this->service(Crawl::class)->walk(CopyName::Workbench, $this->storefront());
        self::assertSame([], self::words($report->unknown()));
        $broken = self::links($report->broken);
        foreach ([
            '/is/nowhere',
            '/how-to',
            '/help/ways-to-pay#no-such-part',
            '/no/such/page',
            '/no/such/entry',
            '/about-us/two-people-and-a-press#no-such-part',
            '/papers#nope',
            '/-/nothing-at-all',
            '/sitemap-7.xml',
        ] as $link) {
            self::assertContains($link, $broken);
        }
        self::assertSame('1', $this->value(<<<'SQL'
            SELECT count(*) FROM journal.finding WHERE copy = 'workbench' AND kind = 'redirect-nowhere' AND name = '/one-pre/*'
            SQL));
    }

    public function testItAgreesWithTheLinkCheckAndWhatThatDoesNotKnowIsAFault(): void
    {
        $this->workbench()->executeStatement(
            "UPDATE live.words SET html = '<p><a href=\"/is/nowhere\">y</a></p>' WHERE id = '".DemoId::of('pages/our-story')."'",
        );
        $this->service(Inspection::class)->catchUp(CopyName::Live);
        $this->workbench()->executeStatement("DELETE FROM journal.finding WHERE details ->> 'address' = '/is/nowhere'");
        $report = $this->service(Crawl::class)->walk(CopyName::Live, $this->storefront());
        self::assertGreaterThan(200, $report->pages);
        self::assertSame(['/about-us/two-people-and-a-press leads to /is/nowhere, which answers 404'], self::words($report->unknown()));
        self::assertSame(['/about-us/autumn-workshop', '/guides/sewing-frames', '/is/nowhere'], self::links($report->broken));
        self::assertStringContainsString('/is/nowhere', $this->value("SELECT faults FROM journal.crawl WHERE copy = 'live'"));
        self::assertSame('0', $this->value(<<<'SQL'
            SELECT count(*) FROM journal.preview_key WHERE key LIKE 'crawl-%'
            SQL), 'the preview that it went by is ended');
    }

    /** @param list<CrawlFault> $faults
     *
     * @return list<string>
     */
    private static function words(array $faults): array
    {
        return array_map(static fn (CrawlFault $one): string => $one->words(), $faults);
    }

    /** @param list<CrawlFault> $faults
     *
     * @return list<string>
     */
    private static function links(array $faults): array
    {
        $links = array_map(static fn (CrawlFault $one): string => $one->link, $faults);
        sort($links);

        return $links;
    }

    private function storefront(): PageSource
    {
        $kernel = new Kernel('test', false, 'storefront');
        $kernel->boot();

        return new class($kernel) implements PageSource {
            public function __construct(private readonly Kernel $kernel)
            {
            }

            public function ask(array $paths): iterable
            {
                foreach ($paths as $path) {
                    // Pictures, styles and scripts are the web server's, which is not here.
                    if (1 === preg_match('~^/-/(?:pictures|assets)/~', $path)) {
                        yield $path => new AskedPage(200, null, null);
                        continue;
                    }
                    $response = $this->kernel->handle(Request::create($path));
                    yield $path => new AskedPage(
                        $response->getStatusCode(),
                        $response->headers->get('Location'),
                        str_starts_with($response->headers->get('Content-Type') ?? '', 'text/html')
                            ? (string) $response->getContent()
                            : null,
                    );
                }
            }
        };
    }
}

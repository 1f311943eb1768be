<?php

declare(strict_types=1);

namespace Lantern\Tests\Node\Early;

use Lantern\Core\Person\Actor;
use Lantern\Demo\DemoId;
use Lantern\Kernel;
use Lantern\Node\Customers\StandInCustomer;
use Lantern\Node\Early\EarlyAnswer;
use Lantern\Node\Look\FirstLook;
use Lantern\Node\News\News;
use Lantern\Node\Pages\KeptPages;
use Lantern\Node\Table\NodeTable;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Publishing\Publisher;
use Symfony\Component\HttpFoundation\Request;

/** What is answered before the framework starts is what the framework would have answered. */
final class EarlyAnswerTest extends ShopTestCase
{
    private Kernel $storefront;
    private EarlyAnswer $early;

    protected function setUp(): void
    {
        parent::setUp();
        $this->storefront = new Kernel('test', false, 'storefront');
        $this->storefront->boot();
        $url = $_SERVER['DATABASE_URL'] ?? '';
        $look = new FirstLook(\is_string($url) ? $url : '');
        $this->early = new EarlyAnswer(
            $look,
            $news = new News($look),
            new NodeTable($look, $news, sys_get_temp_dir().'/no-table-without-memory'),
            new KeptPages(sys_get_temp_dir().'/no-pages-without-memory'),
            new StandInCustomer('secret'),
        );
    }

    protected function tearDown(): void
    {
        $this->storefront->shutdown();
        parent::tearDown();
    }

    public function testForEveryRedirectInEveryForm(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO redirect (id, source, goal_place_id, goal_address, goal_query, goal_outside, status, until) VALUES
            (gen_random_uuid(), '/e/place', :papers, NULL, '', NULL, 302, NULL),
            (gen_random_uuid(), '/e/address', NULL, '/tools', 'sort=name', NULL, 308, NULL),
            (gen_random_uuid(), '/e/outside', NULL, NULL, '', 'https://example.org/x?own=1#part', 307, NULL),
            (gen_random_uuid(), '/e/gone', NULL, NULL, '', NULL, 410, NULL),
            (gen_random_uuid(), '/e/ends', :papers, NULL, '', NULL, 301, now() + interval '10 minutes'),
            (gen_random_uuid(), '/e/ended', :papers, NULL, '', NULL, 301, now() - interval '10 minutes'),
            (gen_random_uuid(), '/e/closed', :kits, NULL, '', NULL, 301, NULL),
            (gen_random_uuid(), '/tools', :papers, NULL, '', NULL, 301, NULL)
            SQL, ['papers' => DemoId::of('categories/papers'), 'kits' => DemoId::of('categories/calendar-kits')]);
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE place SET light = 'closed', closed_answer = 'elsewhere', closed_to = ? WHERE id = ?
            SQL, [DemoId::of('categories/kits'), DemoId::of('categories/calendar-kits')]);
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        $answered = 0;
        foreach ($this->pairs('SELECT source, id FROM live.redirect UNION SELECT address, id FROM live.place') as $path => $id) {
            foreach ([$path, "$path?a=1&sort=price", strtoupper($path).'/', "/$path"] as $target) {
                $answered += $this->compare($target) ? 1 : 0;
            }
        }
        self::assertGreaterThan(250, $answered, 'redirects, and other forms of addresses');
        foreach (['/nothing', '/blog/anything', '/%zz', '/sitemap.xml', '/search?q=x', '/sign-in', '/-/assets/x', '/'] as $target) {
            self::assertNull($this->early->to($target, '', '', new \DateTimeImmutable()), "$target is the framework’s");
        }
    }

    public function testNoRedirectIsKeptPastTheDateThatEndsIt(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO redirect (id, source, goal_place_id, status, until) VALUES (gen_random_uuid(), '/fair', ?, 301, ?)
            SQL, [DemoId::of('categories/papers'), '2031-05-01T12:00:00Z']);
        $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
        $kept = fn (string $at): ?string => $this->early->to('/fair', '', '', new \DateTimeImmutable($at))?->headers['Cache-Control'];
        self::assertSame('max-age=3600, public', $kept('2031-05-01T10:00:00Z'));
        self::assertSame('max-age=90, public', $kept('2031-05-01T11:58:30Z'));
        self::assertNull($kept('2031-05-01T12:00:00Z'));
    }

    /** @return bool whether it was answered early */
    private function compare(string $target): bool
    {
        $early = $this->early->to($target, '', '', new \DateTimeImmutable());
        if (null === $early) {
            return false;
        }
        $request = Request::create('http://shop.example/');
        $request->server->set('REQUEST_URI', $target);
        $late = $this->storefront->handle($request);
        self::assertSame(
            [$late->getStatusCode(), $late->headers->get('Location'), $late->headers->get('Referrer-Policy')],
            [$early->status, $early->headers['Location'], $early->headers['Referrer-Policy']],
            $target,
        );
        // A second may pass between the two.
        self::assertSame(
            preg_replace('/\d+/', 'n', (string) $late->headers->get('Cache-Control')),
            preg_replace('/\d+/', 'n', $early->headers['Cache-Control']),
            $target,
        );
        self::assertSame('', $early->body);

        return true;
    }
}

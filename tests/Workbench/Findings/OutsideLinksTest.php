<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Findings;

use Lantern\Core\Release\CopyName;
use Lantern\Demo\DemoId;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Edits\Progress;
use Lantern\Workbench\Findings\Inspection;
use Lantern\Workbench\Findings\OutsideAsker;
use Lantern\Workbench\Findings\OutsideLinks;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpClient\MockHttpClient;
use Symfony\Component\HttpClient\Response\MockResponse;

final class OutsideLinksTest extends ShopTestCase
{
    /** @var list<array{string, float}> url and time of each question */
    private array $asked = [];

    public function testEachIsAskedOnceAndOneHostASecondApart(): void
    {
        $this->lead('https://a.example/1', 'https://a.example/2', 'https://b.example/1');
        $links = $this->links(static fn (): MockResponse => new MockResponse());
        self::assertSame(3, $links->due());
        self::assertSame(3, $links->ask(new Progress()));
        self::assertSame(0, $links->ask(new Progress()), 'answers are kept for a week');
        $times = [];
        foreach ($this->asked as [$url, $at]) {
            $times[(string) parse_url($url, \PHP_URL_HOST)][] = $at;
        }
        self::assertGreaterThanOrEqual(0.99, $times['a.example'][1] - $times['a.example'][0]);
        self::assertCount(3, $this->asked);
    }

    public function testWhoeverIsKilledGoesOnWithTheRest(): void
    {
        $this->lead('https://a.example/1', 'https://b.example/1', 'https://c.example/1', 'https://d.example/1');
        $links = $this->links(static fn (): MockResponse => new MockResponse('', ['http_code' => 404]));
        try {
            $links->ask(new Progress(static fn (string $step, int $done) => 2 === $done ? throw new \RuntimeException('killed') : null));
            self::fail('It was not killed.');
        } catch (\RuntimeException) {
            self::assertCount(2, array_unique(array_column($this->asked, 0)));
        }
        self::assertSame(2, $links->ask(new Progress()));
        self::assertCount(4, array_unique(array_column($this->asked, 0)));
        self::assertSame('4', $this->value('SELECT count(*) FROM journal.outside_answer WHERE status = 404'));
    }

    public function testAWholeHostIsLeftAlone(): void
    {
        $this->lead('https://a.example/1', 'https://a.example/2');
        self::assertSame(1, $this->links(static fn (): MockResponse => new MockResponse('', ['http_code' => 429, 'response_headers' => ['Retry-After: 600']]))->ask(new Progress()));
        self::assertSame('2', $this->value("SELECT count(*) FROM journal.outside_answer WHERE again_at > now() + interval '9 minutes'"));
    }

    public function testDaysAwayAreCountedByDay(): void
    {
        $this->lead('https://a.example/1');
        $links = $this->links(static fn (): MockResponse => new MockResponse('', ['http_code' => 500]));
        for ($day = 0; $day < 3; ++$day) {
            $links->ask(new Progress());
            $links->askAllAgain();
            $links->ask(new Progress());
            self::assertSame((string) ($day + 1), $this->value('SELECT away_days FROM journal.outside_answer'));
            $this->workbench()->executeStatement('UPDATE journal.outside_answer SET away_on = away_on - 1, again_at = now()');
        }
        $this->service(Inspection::class)->catchUp(CopyName::Workbench);
        self::assertSame('1', $this->value("SELECT count(*) FROM journal.finding WHERE kind = 'outside-broken' AND copy = 'workbench'"));
    }

    public function testWhatNothingLeadsToIsForgotten(): void
    {
        $this->lead('https://a.example/1');
        $this->workbench()->executeStatement("UPDATE words SET html = '' WHERE id = ?", [DemoId::of('pages/our-story')]);
        $this->service(Inspection::class)->catchUp(CopyName::Workbench);
        self::assertSame(0, $this->links(static fn (): MockResponse => new MockResponse())->ask(new Progress()));
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.outside_answer'));
    }

    private function lead(string ...$urls): void
    {
        $this->workbench()->executeStatement("UPDATE words SET html = regexp_replace(html, '<a href=\"http[^>]*>', '<a href=\"/\">', 'g')");
        $this->workbench()->executeStatement("UPDATE live.words SET html = regexp_replace(html, '<a href=\"http[^>]*>', '<a href=\"/\">', 'g')");
        $this->workbench()->executeStatement('UPDATE words SET html = ? WHERE id = ?', [implode('', array_map(static fn (string $url): string => "<p><a href=\"$url\">x</a></p>", $urls)), DemoId::of('pages/our-story')]);
        $this->workbench()->executeStatement('DELETE FROM journal.outside_answer');
        foreach (CopyName::cases() as $copy) {
            $this->service(Inspection::class)->walk($copy);
        }
    }

    /** @param \Closure(): MockResponse $answer */
    private function links(\Closure $answer): OutsideLinks
    {
        $client = new MockHttpClient(function (string $method, string $url) use ($answer): MockResponse {
            $this->asked[] = [$url, microtime(true)];

            return $answer();
        });

        return new OutsideLinks($this->workbench(), new OutsideAsker($client), $this->service(ClockInterface::class));
    }
}

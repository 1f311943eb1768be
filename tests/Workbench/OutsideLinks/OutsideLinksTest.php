<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\OutsideLinks;

use Lantern\Core\Release\CopyName;
use Lantern\Demo\DemoId;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\Progress;
use Lantern\Workbench\Findings\Inspection;
use Lantern\Workbench\Jobs\Jobs;
use Lantern\Workbench\Jobs\JobState;
use Lantern\Workbench\OutsideLinks\AskHost;
use Lantern\Workbench\OutsideLinks\AskHostHandler;
use Lantern\Workbench\OutsideLinks\OutsideClient;
use Lantern\Workbench\OutsideLinks\OutsideLinks;
use Lantern\Workbench\OutsideLinks\OutsideRound;
use PHPUnit\Framework\Attributes\TestWith;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpClient\MockHttpClient;
use Symfony\Component\HttpClient\Response\MockResponse;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\MessageBusInterface;

final class OutsideLinksTest extends ShopTestCase
{
    /** @var list<array{string, float}> url and time of each question */
    private array $asked = [];

    public function testEachIsAskedOnceInAWeek(): void
    {
        $this->lead('https://a.example/1', 'https://a.example/2', 'https://b.example/1');
        $links = $this->links(static fn (): MockResponse => new MockResponse());
        self::assertSame([3, ['a.example', 'b.example']], [$links->due(), $links->hosts()]);
        self::assertSame(3, $links->ask(new Progress()));
        self::assertSame(0, $links->ask(new Progress()), 'answers are kept for a week');
        self::assertCount(3, $this->asked);
    }

    /** A message for each question: hosts take turns, and a job that was stopped asks nothing more. */
    public function testAWorkerAsksOneAfterTheOther(): void
    {
        $this->lead('https://a.example/1', 'https://a.example/2', 'https://b.example/1');
        $links = $this->links(static fn (): MockResponse => new MockResponse());
        $sent = [];
        $bus = $this->bus($sent);
        $jobs = $this->service(Jobs::class);
        $round = new OutsideRound($this->workbench(), $jobs, $links, $bus);
        $job = $round->begin($this->actor());
        self::assertEquals([new AskHost($job->id, 'a.example'), new AskHost($job->id, 'b.example')], $sent);
        $handler = new AskHostHandler($jobs, $links, $bus);
        for ($n = 0; $n < \count($sent) && $n < 10; ++$n) {
            self::assertInstanceOf(AskHost::class, $sent[$n]);
            $handler($sent[$n]);
        }
        self::assertSame(['https://a.example/1', 'https://b.example/1', 'https://a.example/2'], array_column($this->asked, 0));
        self::assertSame([JobState::Done, 3], [$jobs->get($job->id)->state, $jobs->get($job->id)->outcome['asked'] ?? null]);

        $this->lead('https://a.example/1', 'https://a.example/2');
        $sent = [];
        $job = $round->begin($this->actor());
        $jobs->stop($job->id, $this->actor());
        $this->asked = [];
        $handler(new AskHost($job->id, 'a.example'));
        self::assertSame([], $this->asked);
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

    public function testAWholeHostIsLeftAloneWhoeverPresses(): void
    {
        $this->lead('https://a.example/1', 'https://a.example/2', 'https://b.example/1');
        $links = $this->links(static fn (string $url): MockResponse => new MockResponse(
            '',
            str_contains($url, 'a.example') ? ['http_code' => 429, 'response_headers' => ['Retry-After: 600']] : [],
        ));
        self::assertSame(2, $links->ask(new Progress()));
        $links->askAllAgain();
        self::assertSame([1, ['b.example']], [$links->due(), $links->hosts()], 'what it asked for holds');
        $this->workbench()->executeStatement("UPDATE journal.outside_host SET patient_until = now() - interval '1 second'");
        self::assertSame(['a.example', 'b.example'], $links->hosts());
    }

    /** Whoever says each day that it is asked too often is not to be reached, and is not asked each hour for ever. */
    #[TestWith([503, '', 0])]
    #[TestWith([429, 'Retry-After: 0', 0])]
    #[TestWith([429, 'Retry-After: Wed, 21 Oct 2015 07:28:00 GMT', 0])]
    #[TestWith([503, '', 404])]
    public function testAHostThatAlwaysAsksForPatienceIsAFinding(int $status, string $header, int $known): void
    {
        $this->lead('https://a.example/1');
        if (0 !== $known) {
            $this->links(static fn (): MockResponse => new MockResponse('', ['http_code' => $known]))->ask(new Progress());
            $this->service(Inspection::class)->catchUp(CopyName::Workbench);
        }
        $links = $this->links(static fn (): MockResponse => new MockResponse(
            '',
            ['http_code' => $status, 'response_headers' => '' === $header ? [] : [$header]],
        ));
        for ($day = 1; $day <= 3; ++$day) {
            self::assertSame(0 === $known ? '0' : '1', $this->value(<<<'SQL'
                SELECT count(*) FROM journal.finding WHERE kind = 'outside-broken' AND copy = 'workbench'
                SQL), "before day $day");
            $this->workbench()->executeStatement(<<<'SQL'
                UPDATE journal.outside_answer SET again_at = now(), away_on = away_on - 1; UPDATE journal.outside_host
                SET patient_until = now() - interval '1 second'
                SQL);
            self::assertSame(1, $links->ask(new Progress()));
            self::assertSame('t', $this->value(<<<'SQL'
                SELECT CASE WHEN again_at > now() + interval '19 hours' THEN 't' END FROM journal.outside_answer
                SQL));
            if ($day < 3) {
                $this->service(Inspection::class)->catchUp(CopyName::Workbench);
            }
        }
        $this->service(Inspection::class)->catchUp(CopyName::Workbench);
        self::assertSame('1', $this->value("SELECT count(*) FROM journal.finding WHERE kind = 'outside-broken' AND copy = 'workbench'"));
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
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE live.words SET html = regexp_replace(html, '<a href="http[^>]*>', '<a href="/">', 'g')
            SQL);
        $this->workbench()->executeStatement(
            'UPDATE words SET html = ? WHERE id = ?',
            [
                implode('', array_map(static fn (string $url): string => "<p><a href=\"$url\">x</a></p>", $urls)),
                DemoId::of('pages/our-story'),
            ],
        );
        $this->workbench()->executeStatement('DELETE FROM journal.outside_answer');
        foreach (CopyName::cases() as $copy) {
            $this->service(Inspection::class)->walk($copy);
        }
    }

    /** @param \Closure(string): MockResponse $answer */
    private function links(\Closure $answer): OutsideLinks
    {
        $client = new MockHttpClient(function (string $method, string $url) use ($answer): MockResponse {
            $this->asked[] = [$url, microtime(true)];

            return $answer($url);
        });

        return new OutsideLinks(
            $this->workbench(),
            new OutsideClient($client),
            $this->service(Locks::class),
            $this->service(ClockInterface::class),
        );
    }

    /** @param list<object> $sent */
    private function bus(array &$sent): MessageBusInterface
    {
        return new class($sent) implements MessageBusInterface {
            /** @param list<object> $sent */
            public function __construct(public array &$sent)
            {
            }

            public function dispatch(object $message, array $stamps = []): Envelope
            {
                $this->sent[] = $message;

                return new Envelope($message);
            }
        };
    }
}

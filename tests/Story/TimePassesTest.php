<?php

declare(strict_types=1);

namespace Lantern\Tests\Story;

use Lantern\Core\Release\CopyName;
use Lantern\Core\Visitor;
use Lantern\Demo\DemoId;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Findings\FindingTable;
use Lantern\Reading\Places\PlaceTable;
use Lantern\Reading\Redirects\ListedRedirect;
use Lantern\Reading\Redirects\RedirectFilter;
use Lantern\Reading\Redirects\RedirectTable;
use Lantern\Tests\ShopTestCase;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Clock\Clock;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\NativeClock;

/** What is so now and otherwise later, with the clock of the program and that of the database set together. */
final class TimePassesTest extends ShopTestCase
{
    protected function tearDown(): void
    {
        Clock::set(new NativeClock());
        parent::tearDown();
    }

    private function at(string $moment): \DateTimeImmutable
    {
        $at = new \DateTimeImmutable($moment);
        Clock::set(new MockClock($at));
        $this->workbench()->executeStatement("SELECT set_config('lantern.moment', ?, false)", [$at->format(\DATE_ATOM)]);

        return $at;
    }

    /** Wherever the servers stand: a day of counts is one of UTC. */
    #[DataProvider('zones')]
    public function testThirtyDaysOfVisitsEndAtMidnightOfUtc(string $zone): void
    {
        $papers = DemoId::of('categories/papers');
        $this->workbench()->executeStatement('DELETE FROM journal.visit');
        $this->workbench()->executeStatement("INSERT INTO journal.visit (address, day, count) VALUES ('/papers', '2027-01-01', 7)");
        $this->workbench()->executeStatement("SELECT set_config('timezone', ?, false)", [$zone]);
        foreach (['2027-01-01T00:00:00Z' => 7, '2027-01-30T23:59:59Z' => 7, '2027-01-31T00:00:00Z' => 0] as $moment => $visits) {
            $this->at($moment);
            self::assertSame($visits, $this->service(PlaceTable::class)->one($papers)->visits, "$moment in $zone");
        }
    }

    /** @return iterable<array{string}> */
    public static function zones(): iterable
    {
        foreach (['UTC', 'Pacific/Auckland', 'Etc/GMT+12', 'Europe/Berlin'] as $zone) {
            yield $zone => [$zone];
        }
    }

    public function testWhatWasSetAsideUntilADayComesBackThen(): void
    {
        $table = $this->service(FindingTable::class);
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.set_aside (finding_id, reason, person, until, at)
            SELECT id, 'After the fair', 'Joss', '2027-03-01T00:00:00Z', now() FROM journal.finding WHERE copy = 'workbench'
            ON CONFLICT DO NOTHING
            SQL);
        $this->at('2027-02-28T23:59:59Z');
        self::assertGreaterThan(3, $table->outlook(true)->aside);
        self::assertSame(0, $table->outlook(true)->wrong);
        $this->at('2027-03-01T00:00:00Z');
        self::assertSame(0, $table->outlook(true)->aside);
        self::assertGreaterThan(3, $table->outlook(true)->wrong);
    }

    public function testARedirectEndsAtItsSecond(): void
    {
        $id = DemoId::of('redirects/first');
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO redirect (id, source, is_prefix, goal_address, goal_query, status, until, origin, note, created_at)
            VALUES (?, '/for-a-while', false, '/papers', '', 302, '2027-03-28T01:00:00Z', 'person', '', now())
            SQL, [$id]);
        $this->at('2027-03-28T00:59:59Z');
        self::assertNotContains('/for-a-while', $this->ended());
        $this->at('2027-03-28T01:00:00Z');
        self::assertContains('/for-a-while', $this->ended());
    }

    /** The night in which 02:30 comes never, and the one in which it comes twice. */
    public function testAPlaceOpensAndClosesAcrossBothChangesOfTheClocks(): void
    {
        $papers = DemoId::of('categories/papers');
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE place SET opens_on = '2027-03-28 02:30 Europe/Berlin', closes_on = '2027-10-31T02:30:00+01:00' WHERE id = ?
            SQL, [$papers]);
        foreach ([
            '2027-03-28T01:29:59Z' => false,
            '2027-03-28T01:30:00Z' => true,
            '2027-10-31T00:30:00Z' => true,
            '2027-10-31T01:29:59Z' => true,
            '2027-10-31T01:30:00Z' => false,
        ] as $moment => $opens) {
            $at = $this->at($moment);
            $place = $this->service(Copies::class)->get(CopyName::Workbench)->places->get($papers);
            self::assertSame($opens, $place?->opening->contains($at), $moment);
            $shown = array_column(
                array_column(
                    $this->service(Copies::class)->get(CopyName::Workbench)->shop->below(null, Visitor::guest($at), $place->kind),
                    'place',
                ),
                'id',
            );
            self::assertSame($opens, \in_array($papers, $shown, true), "$moment, in a list");
        }
    }

    /** @return list<string> */
    private function ended(): array
    {
        return array_map(
            static fn (ListedRedirect $one): string => $one->rule->source->path,
            $this->service(RedirectTable::class)->page(new RedirectFilter(mark: 'ended'), null),
        );
    }
}

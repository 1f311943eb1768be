<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Publishing;

use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Core\Release\WaitingChange;
use Lantern\Demo\DemoId;
use Lantern\Reading\Releases\ReleaseReader;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Publishing\Publisher;
use Symfony\Component\Process\Process;

final class PublisherTest extends ShopTestCase
{
    public function testAfterPublishingBothCopiesAreTheSame(): void
    {
        foreach (['place', 'words', 'pick', 'menu', 'entry', 'bay', 'redirect', 'setting'] as $table) {
            self::assertSame('0', $this->value(<<<SQL
                SELECT count(*) FROM (SELECT * FROM workbench.$table EXCEPT SELECT * FROM live.$table) d
                SQL), $table);
            self::assertNotSame('0', $this->value("SELECT count(*) FROM live.$table"), $table);
        }
        self::assertSame([], $this->reader()->waiting()->changes);
        self::assertNull($this->publisher()->publish(Actor::commandLine('Joss')), 'nothing waits, so nothing is released');
    }

    public function testWhatIsPutBackByHandDoesNotWait(): void
    {
        $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets', version = version + 1 WHERE address = '/papers'");
        self::assertSame(['Sheets'], $this->waitingNames());
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE place SET title = 'Papers', version = version + 1, changed_by = 'Joss' WHERE address = '/papers'
            SQL);
        self::assertSame([], $this->waitingNames());
    }

    public function testPublishesEverythingInOneReleaseWithBeforeAndAfter(): void
    {
        $papers = DemoId::of('categories/papers');
        $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets' WHERE id = ?", [$papers]);
        $this->workbench()->executeStatement('DELETE FROM redirect WHERE source = ?', ['/sale']);
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO entry (id, menu_id, position, label, target_kind) VALUES (?, ?, 9, 'Late', 'heading')
            SQL, [DemoId::of('late'), DemoId::of('menus/header')]);
        self::assertSame(['Header', 'Sheets', '/sale'], $this->waitingNames());
        self::assertSame(2, $this->publisher()->publish(Actor::commandLine('Joss Tamblyn')));
        self::assertSame([], $this->waitingNames());
        self::assertSame('Sheets', $this->value('SELECT title FROM live.place WHERE id = ?', $papers));
        self::assertSame('0', $this->value("SELECT count(*) FROM live.redirect WHERE source = '/sale'"));
        self::assertSame('1', $this->value("SELECT count(*) FROM live.entry WHERE label = 'Late'"));
        self::assertSame('Papers → Sheets', $this->value(<<<'SQL'
            SELECT (before->>'title') || ' → ' || (after->>'title') FROM journal.release_row WHERE row_id = ?
            AND release_id = (SELECT id FROM journal.release WHERE number = 2)
            SQL, $papers));
        self::assertSame('Header · Sheets · 1 redirect', $this->reader()->releases()[0]->summary);
        self::assertCount(3, $this->reader()->changesOf(2)->changes);
        self::assertSame('Joss Tamblyn', $this->reader()->release(2)?->releasedBy);
        self::assertNull($this->reader()->release(99));
    }

    public function testTwoPlacesMaySwapAddressesInOneStep(): void
    {
        $this->workbench()->transactional(function (): void {
            $this->workbench()->executeStatement('SET CONSTRAINTS ALL DEFERRED');
            $this->workbench()->executeStatement(<<<'SQL'
                UPDATE place SET address = CASE address WHEN '/papers/block' THEN '/papers/paste' ELSE '/papers/block' END
                WHERE address IN ('/papers/block', '/papers/paste')
                SQL);
        });
        self::assertSame(2, $this->publisher()->publish(Actor::commandLine('Joss')));
        self::assertSame('Paste papers', $this->value("SELECT title FROM live.place WHERE address = '/papers/block'"));
    }

    public function testAnEntryWhosePlaceIsNoMoreIsNotPublished(): void
    {
        $this->workbench()->executeStatement('DELETE FROM place WHERE id = ?', [DemoId::of('categories/combed')]);
        try {
            $this->publisher()->publish(Actor::commandLine('Joss'));
            self::fail('It was published.');
        } catch (Refused $refused) {
            self::assertStringContainsString('in “Header” leads to a place that is no longer there', $refused->getMessage());
        }
        self::assertSame('1', $this->value('SELECT count(*) FROM live.place WHERE id = ?', DemoId::of('categories/combed')));
        self::assertSame('1', $this->value('SELECT count(*) FROM journal.release'));
    }

    public function testAProcessThatIsKilledInTheMiddleLeavesEverythingAsItWas(): void
    {
        $publishing = $this->publishSlowly();
        $publishing->signal(\SIGKILL);
        $publishing->wait();
        $this->assertNothingOrEverything(published: false);
        $this->server('lantern_test')->exec('DROP TRIGGER slowly ON live.redirect');
        self::assertSame(2, $this->publisher()->publish(Actor::commandLine('Joss')), 'what waited still waits, and can be published');
        $this->assertNothingOrEverything(published: true);
    }

    public function testADatabaseServerThatIsStoppedInTheMiddleLeavesEverythingAsItWas(): void
    {
        $publishing = $this->publishSlowly();
        $this->server()->exec(<<<'SQL'
            SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = 'lantern_test'
            AND query LIKE 'INSERT INTO live.redirect%'
            SQL);
        $publishing->wait();
        self::assertNotSame(0, $publishing->getExitCode());
        $this->assertNothingOrEverything(published: false);
    }

    /** Two edits at both ends of the order in which tables are carried over, and a publish that stops for long before the last. */
    private function publishSlowly(): Process
    {
        $this->workbench()->executeStatement("UPDATE place SET title = 'Sheets' WHERE address = '/papers'");
        $this->workbench()->executeStatement("UPDATE redirect SET note = 'changed' WHERE source = '/sale'");
        $server = $this->server('lantern_test');
        $server->exec("CREATE FUNCTION slowly() RETURNS trigger LANGUAGE plpgsql AS 'BEGIN PERFORM pg_sleep(3); RETURN NEW; END'");
        $server->exec('CREATE TRIGGER slowly BEFORE INSERT OR UPDATE ON live.redirect FOR EACH ROW EXECUTE FUNCTION slowly()');
        $publishing = new Process([\PHP_BINARY, __DIR__.'/publish.php']);
        $publishing->start(null, ['DATABASE_URL' => $_SERVER['DATABASE_URL']]);
        for ($try = 0; $try < 100; ++$try) {
            $busy = $server->query("SELECT count(*) FROM pg_stat_activity WHERE datname = 'lantern_test' AND wait_event = 'PgSleep'");
            if (false !== $busy && 1 === (int) $busy->fetchColumn()) {
                return $publishing;
            }
            usleep(100_000);
        }
        self::fail('The publish never came to the last table. '.$publishing->getOutput().$publishing->getErrorOutput());
    }

    private function assertNothingOrEverything(bool $published): void
    {
        self::assertSame($published ? 'Sheets' : 'Papers', $this->value("SELECT title FROM live.place WHERE address = '/papers'"));
        self::assertSame($published ? 'changed' : '', $this->value("SELECT note FROM live.redirect WHERE source = '/sale'"));
        self::assertSame($published ? '2' : '1', $this->value('SELECT count(*) FROM journal.release'));
        self::assertCount($published ? 0 : 2, $this->reader()->waiting()->changes);
    }

    private function reader(): ReleaseReader
    {
        return $this->service(ReleaseReader::class);
    }

    private function publisher(): Publisher
    {
        return $this->service(Publisher::class);
    }

    public function testVeryManyRedirectsAreCountedAndPublishedInTheDatabase(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO redirect (id, source, goal_outside, status)
            SELECT gen_random_uuid(), '/many/' || n, 'https://example.org/' || n, 301 FROM generate_series(1, 1200) n
            SQL);
        $told = $this->reader()->waiting()->changes;
        self::assertCount(300, $told);
        self::assertSame(900, $this->reader()->waiting()->more);
        $number = $this->publisher()->publish(Actor::commandLine('Joss'));
        self::assertSame('1,200 redirects', $this->value('SELECT summary FROM journal.release WHERE number = ?', $number));
        self::assertSame('1200', $this->value("SELECT count(*) FROM live.redirect WHERE source LIKE '/many/%'"));
        self::assertSame('1200', $this->value(<<<'SQL'
            SELECT count(*) FROM journal.release_row r JOIN journal.release n ON n.id = r.release_id WHERE n.number = ?
            AND r.before IS NULL
            SQL, $number));
        $this->workbench()->executeStatement("DELETE FROM redirect WHERE source LIKE '/many/1%'");
        $this->workbench()->executeStatement("UPDATE redirect SET status = 302 WHERE source = '/many/2'");
        $this->publisher()->publish(Actor::commandLine('Joss'));
        self::assertSame('888 302', $this->value(<<<'SQL'
            SELECT count(*) || ' ' || min(status) FILTER (WHERE source = '/many/2') FROM live.redirect WHERE source LIKE '/many/%'
            SQL));
        self::assertSame([], $this->reader()->waiting()->changes);
        self::assertSame(0, $this->reader()->waiting()->more);
    }

    /** @return list<string> */
    private function waitingNames(): array
    {
        return array_map(static fn (WaitingChange $change): string => $change->name, $this->reader()->waiting()->changes);
    }
}

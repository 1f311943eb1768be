<?php

declare(strict_types=1);

namespace Lantern\Tests\Story;

use Lantern\Core\NotThere;
use Lantern\Core\Refused;
use Lantern\Core\Stale;
use Lantern\Demo\DemoId;
use Lantern\Tests\ShopTestCase;
use Symfony\Component\Process\Process;

/**
 * Two who do something at one moment, each in a process with a connection of its own: one of them is told, and what comes of it is what one
 * alone would have made.
 */
final class TwoAtOnceTest extends ShopTestCase
{
    public const BARRIER = 471_100;

    public function testOfTwoNoticesOneIsToldOfTheOther(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO setting (id, value, version) VALUES ('notice', '"Before"', 1) ON CONFLICT (id) DO UPDATE
            SET value = excluded.value
            SQL);
        $this->workbench()->executeStatement(<<<'SQL'
            ALTER TABLE setting DISABLE TRIGGER counts_versions; UPDATE setting SET version = 1
            WHERE id = 'notice'; ALTER TABLE setting ENABLE TRIGGER counts_versions
            SQL);
        $said = $this->together(['notice', $this->person('editor')->id, 'One'], ['notice', $this->person('publisher')->id, 'Other']);
        self::assertEqualsCanonicalizing(['done', Stale::class], $said);
        self::assertSame('done' === $said[0] ? '"One"' : '"Other"', $this->value("SELECT value FROM setting WHERE id = 'notice'"));
    }

    public function testOfTwoTitlesOneIsToldOfTheOther(): void
    {
        $papers = DemoId::of('categories/papers');
        self::assertSame('1', $this->value('SELECT version FROM place WHERE id = ?', $papers));
        $said = $this->together(
            ['title', $this->person('editor')->id, $papers, 'One'],
            ['title', $this->person('publisher')->id, $papers, 'Other'],
        );
        self::assertEqualsCanonicalizing(['done', Stale::class], $said);
        self::assertSame('done' === $said[0] ? 'One' : 'Other', $this->value('SELECT title FROM place WHERE id = ?', $papers));
    }

    public function testTwoOwnersWhoLetEachOtherGoLeaveOne(): void
    {
        [$one, $other] = [$this->person('owner')->id, $this->person('publisher')->id];
        $this->workbench()->executeStatement("UPDATE journal.person SET role = 'owner' WHERE id = ?", [$other]);
        $said = $this->together(['let-go', $one, $other], ['let-go', $other, $one]);
        self::assertContains('done', $said);
        self::assertNotEmpty(array_intersect($said, [Refused::class, NotThere::class]), implode(', ', $said));
        self::assertSame('1', $this->value("SELECT count(*) FROM journal.person WHERE role = 'owner' AND left_at IS NULL"));
    }

    public function testOneAddressIsTakenOnce(): void
    {
        [$one, $other] = [DemoId::of('categories/papers'), DemoId::of('categories/tools')];
        $said = $this->together(
            ['address', $this->person('editor')->id, $one, '/papers'],
            ['address', $this->person('publisher')->id, $other, '/tools'],
        );
        self::assertCount(1, array_keys($said, 'done', true), implode(', ', $said));
        self::assertSame('1', $this->value("SELECT count(*) FROM place WHERE address = '/wanted-by-two'"));
    }

    /**
     * @param list<string> $one
     * @param list<string> $other
     *
     * @return list<string> what each says
     */
    private function together(array $one, array $other): array
    {
        $barrier = $this->server('lantern_test');
        $barrier->exec('SELECT pg_advisory_lock('.self::BARRIER.')');
        $processes = array_map(static function (array $act): Process {
            $process = new Process(
                [\PHP_BINARY, __DIR__.'/at-once.php', ...$act],
                env: ['DATABASE_URL' => $_SERVER['DATABASE_URL']],
                timeout: 60,
            );
            $process->start();

            return $process;
        }, [$one, $other]);
        for ($try = 0;; ++$try) {
            $waiting = $barrier->query(
                "SELECT count(*) FROM pg_locks WHERE locktype = 'advisory' AND NOT granted AND objid = ".self::BARRIER,
            );
            if (false !== $waiting && 2 === (int) $waiting->fetchColumn()) {
                break;
            }
            self::assertLessThan(
                300,
                $try,
                implode("\n", array_map(static fn (Process $one): string => $one->getOutput().$one->getErrorOutput(), $processes)),
            );
            usleep(100_000);
        }
        $barrier->exec('SELECT pg_advisory_unlock('.self::BARRIER.')');

        return array_map(static function (Process $process): string {
            $process->wait();

            return $process->getOutput().$process->getErrorOutput();
        }, $processes);
    }
}

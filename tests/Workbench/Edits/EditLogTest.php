<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Edits;

use Lantern\Core\Refused;
use Lantern\Demo\DemoId;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Addresses\AddressEditor;
use Lantern\Workbench\Addresses\AddressWish;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Subject;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;

/** What is taken back goes by the same rules as an edit: what it would leave behind is judged. */
final class EditLogTest extends ShopTestCase
{
    /** @param list<string> $meanwhile */
    #[DataProvider('ways')]
    public function testTakingBackMakesNothingThatNobodyMayMake(string $done, array $meanwhile, string $says): void
    {
        $edit = $this->service(EditLog::class)->run($this->actor(), Subject::Places, function () use ($done): string {
            $this->workbench()->executeStatement($done);

            return 'Done.';
        });
        foreach ($meanwhile as $sql) {
            $this->workbench()->executeStatement($sql);
        }
        $state = fn (): string => $this->value("SELECT md5(string_agg(p::text, '' ORDER BY id)) FROM place p")
            .$this->value("SELECT md5(string_agg(r::text, '' ORDER BY id)) FROM redirect r");
        $before = $state();
        try {
            $this->service(EditLog::class)->takeBack($edit, $this->actor());
            self::fail('It was taken back.');
        } catch (Refused $refused) {
            self::assertStringContainsString($says, $refused->getMessage());
        }
        self::assertSame($before, $state(), 'nothing of it was done');
    }

    /** @return iterable<string, array{string, list<string>, string}> */
    public static function ways(): iterable
    {
        $papers = DemoId::of('categories/papers');
        $marbled = DemoId::of('categories/marbled');
        yield 'a circle of redirects' => [
            "UPDATE redirect SET goal_place_id = NULL, goal_address = '/papers', goal_query = '' WHERE source = '/agb'",
            [<<<'SQL'
                INSERT INTO redirect (id, source, goal_address, status) VALUES (gen_random_uuid(), '/conditions-of-old', '/agb', 301)
                SQL, <<<'SQL'
                    UPDATE journal.edit_row SET before = before || '{"goal_place_id": null, "goal_address": "/conditions-of-old"}'
                    WHERE table_name = 'redirect'
                    SQL],
            'circle',
        ];
        yield 'a place below itself' => [
            "UPDATE place SET parent_id = NULL WHERE id = '$marbled'",
            ["UPDATE place SET parent_id = '$marbled' WHERE id = '$papers'"],
            'below itself',
        ];
        yield 'two places at one address' => [
            "UPDATE place SET address = '/papers/swirled' WHERE id = '$marbled'",
            ["UPDATE place SET address = '/papers/marbled' WHERE id = '".DemoId::of('pages/makers')."'"],
            'address',
        ];
    }

    public function testTwoPeopleAndAnUndoLoseNothing(): void
    {
        $editor = $this->service(AddressEditor::class);
        $mine = $editor->change(
            [new AddressWish(
                DemoId::of('pages/makers'),
                $this->value('SELECT address FROM place WHERE id = ?', DemoId::of('pages/makers')),
                '/our-makers',
            )],
            $this->actor(),
        );
        $theirs = $editor->change(
            [new AddressWish(
                DemoId::of('pages/visit'),
                $this->value('SELECT address FROM place WHERE id = ?', DemoId::of('pages/visit')),
                '/come-by',
            )],
            $this->actor('owner'),
        );
        $log = $this->service(EditLog::class);
        $log->takeBack($mine, $this->actor());
        self::assertSame(
            '/come-by',
            $this->value('SELECT address FROM place WHERE id = ?', DemoId::of('pages/visit')),
            'what the other did stays',
        );
        self::assertNotSame('/our-makers', $this->value('SELECT address FROM place WHERE id = ?', DemoId::of('pages/makers')));
        $log->takeBack($theirs, $this->actor('owner'));
        self::assertNotSame('/come-by', $this->value('SELECT address FROM place WHERE id = ?', DemoId::of('pages/visit')));
    }

    public function testAnUndoWaitsForWhoeverChangesRedirects(): void
    {
        $edit = $this->service(AddressEditor::class)->change(
            [new AddressWish(
                DemoId::of('pages/makers'),
                $this->value('SELECT address FROM place WHERE id = ?', DemoId::of('pages/makers')),
                '/our-makers',
            )],
            $this->actor(),
        );
        $other = $this->server('lantern_test');
        $other->exec("BEGIN; SELECT pg_advisory_xact_lock(hashtext('lantern relations'))");
        $undo = new Process([\PHP_BINARY, __DIR__.'/take-back.php', $edit->id, $this->actor()->id]);
        $undo->start(null, ['DATABASE_URL' => $_SERVER['DATABASE_URL']]);
        // A transaction sees one state of the activities.
        $looking = $this->server('lantern_test');
        $waits = 0;
        for ($try = 0; $try < 100 && 0 === $waits; ++$try) {
            usleep(100_000);
            $found = $looking->query("SELECT count(*) FROM pg_stat_activity WHERE datname = 'lantern_test' AND wait_event = 'advisory'");
            $waits = false === $found ? 0 : (int) $found->fetchColumn();
        }
        self::assertSame(1, $waits, $undo->getOutput().$undo->getErrorOutput().$undo->getExitCode());
        self::assertSame('/our-makers', $this->value('SELECT address FROM place WHERE id = ?', DemoId::of('pages/makers')));
        $other->exec('COMMIT');
        self::assertSame(0, $undo->wait(), $undo->getOutput().$undo->getErrorOutput());
        self::assertNotSame('/our-makers', $this->value('SELECT address FROM place WHERE id = ?', DemoId::of('pages/makers')));
    }
}

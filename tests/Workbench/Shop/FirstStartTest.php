<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Shop;

use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Person\Role;
use Lantern\Core\Refused;
use Lantern\Reading\Shop\FirstFactsReader;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\People\TeamEditor;
use Lantern\Workbench\Shop\FirstStart;
use Lantern\Workbench\Shop\ShopBeginning;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;

final class FirstStartTest extends ShopTestCase
{
    public function testADemoShopHasBegunAndItsFirstStepsAreMade(): void
    {
        self::assertFalse($this->service(FirstStart::class)->isAwaited());
        self::assertNull(\Lantern\Core\Shop\FirstStep::next($this->service(FirstFactsReader::class)->read()));
        $this->expectException(NotThere::class);
        $this->service(FirstStart::class)->begin('Another', 'UTC', 'Somebody', 'somebody@tansyandrook.example', 'tin heron quarry lace');
    }

    public function testAnEmptyShopBeginsOnceWithItsOwnerByACommand(): void
    {
        $this->forgetEverybody();
        $first = $this->service(FirstStart::class);
        self::assertTrue($first->isAwaited());
        foreach ([
            ['', 'UTC', 'a@b.example', 'name'],
            ['Shop', 'Mars/Olympus', 'a@b.example', 'time_zone'],
            ['Shop', 'UTC', 'nowhere', 'mail'],
        ] as [$shop, $zone, $mail, $field]) {
            try {
                $first->begin($shop, $zone, 'Ada', $mail, 'tin heron quarry lace');
                self::fail("$field was taken.");
            } catch (Refused $refused) {
                self::assertSame($field, $refused->field);
            }
            self::assertTrue($first->isAwaited(), 'what is refused leaves nothing behind');
        }

        $tester = $this->command('lantern:shop', ['name' => 'Heron & Loom', '--owner' => 'ada@heronloom.example', '--owner-name' => 'Ada']);
        self::assertSame(0, $tester->getStatusCode());
        self::assertSame(1, preg_match('~/welcome/([0-9a-f]{48})~', $tester->getDisplay(), $found));
        self::assertSame(1, $this->command('lantern:shop', ['name' => 'Another', '--owner' => 'eve@heronloom.example'])->getStatusCode());
        $this->service(TeamEditor::class)->accept($found[1], 'tin heron quarry lace');
        self::assertSame('owner', $this->value("SELECT role FROM journal.person WHERE mail = 'ada@heronloom.example'"));
    }

    public function testPeopleAreAddedGivenARoleAndLetGoByCommands(): void
    {
        $added = $this->command('lantern:person:add', ['name' => 'Nell', 'mail' => 'nell@tansyandrook.example', 'role' => 'editor']);
        self::assertSame(1, preg_match('~/welcome/([0-9a-f]{48})~', $added->getDisplay(), $found));
        $this->service(TeamEditor::class)->accept($found[1], 'tin heron quarry lace');
        self::assertSame(
            0,
            $this->command('lantern:person:role', ['mail' => ' NELL@tansyandrook.example', 'role' => 'publisher'])->getStatusCode(),
        );
        self::assertSame('publisher', $this->value("SELECT role FROM journal.person WHERE mail = 'nell@tansyandrook.example'"));
        self::assertSame(
            1,
            $this->command('lantern:person:role', ['mail' => 'nell@tansyandrook.example', 'role' => 'king'])->getStatusCode(),
        );
        self::assertSame(0, $this->command('lantern:person:remove', ['mail' => 'nell@tansyandrook.example'])->getStatusCode());
        self::assertSame(1, $this->command('lantern:person:remove', ['mail' => 'nell@tansyandrook.example'])->getStatusCode());
        self::assertSame(
            1,
            $this->command('lantern:person:remove', ['mail' => 'owner@tansyandrook.example'])->getStatusCode(),
            'the last owner cannot go',
        );
    }

    public function testWhoeverNoLetterReachesIsLetInByACommand(): void
    {
        $this->workbench()->executeStatement("UPDATE journal.person SET factor = 'locked' WHERE role = 'owner'");
        $said = $this->command('lantern:person:password', ['mail' => 'owner@tansyandrook.example'])->getDisplay();
        self::assertSame('locked', $this->value("SELECT factor FROM journal.person WHERE role = 'owner'"));
        $this->command('lantern:person:password', ['mail' => 'owner@tansyandrook.example', '--without-factor' => true]);
        self::assertSame('', $this->value("SELECT factor FROM journal.person WHERE role = 'owner'"));
        self::assertSame(1, preg_match('~/password/([0-9a-f]{48})~', $said, $found));
        self::assertFalse($this->service(TeamEditor::class)->holdsPasswordLink($found[1]), 'the latest link holds alone');
        self::assertSame(1, $this->command('lantern:person:password', ['mail' => 'nobody@tansyandrook.example'])->getStatusCode());
    }

    public function testWhoeverIsInvitedAgainAfterLeavingHasTheOldBooks(): void
    {
        $team = $this->service(TeamEditor::class);
        $id = $this->person()->id;
        $team->letGo($id, Actor::commandLine('Imke'));
        $team->accept(
            $team->invite('editor@tansyandrook.example', 'Joss Tamblyn', Role::Viewer, Actor::commandLine('Imke')),
            'tin heron quarry lace',
        );
        self::assertSame($id, $this->value(<<<'SQL'
            SELECT id FROM journal.person WHERE mail = 'editor@tansyandrook.example' AND left_at IS NULL AND role = 'viewer'
            SQL));
    }

    public function testTheBeginningOfAShopIsInOrderAndLive(): void
    {
        $this->forgetEverybody();
        $this->emptyShop();
        $this->service(FirstStart::class)->begin('Heron & Loom', 'Europe/Lisbon', 'Ada', 'ada@heronloom.example', 'tin heron quarry lace');
        self::assertTrue($this->service(ShopBeginning::class)->isThere());
        self::assertSame('6', $this->value("SELECT count(*) FROM live.place WHERE light = 'open'"));
        self::assertSame('10', $this->value('SELECT count(*) FROM live.bay WHERE menu_id IS NULL'));
        self::assertSame('"Heron & Loom"', $this->value("SELECT value FROM live.setting WHERE id = 'name'"));
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.touched'), 'nothing waits');
    }

    private function forgetEverybody(): void
    {
        $this->workbench()->executeStatement('DELETE FROM journal.own_session');
        $this->workbench()->executeStatement('DELETE FROM journal.person');
    }

    private function emptyShop(): void
    {
        foreach (['live', 'workbench'] as $copy) {
            foreach (['pick', 'words', 'entry', 'bay', 'menu', 'redirect', 'setting', 'place'] as $table) {
                $this->workbench()->executeStatement("DELETE FROM $copy.$table");
            }
        }
        $this->workbench()->executeStatement('DELETE FROM journal.touched');
    }

    /** @param array<string, bool|string> $input */
    private function command(string $name, array $input): CommandTester
    {
        $kernel = self::$kernel ?? throw new \LogicException('There is no kernel yet.');
        $tester = new CommandTester((new Application($kernel))->find($name));
        $tester->execute($input, ['capture_stderr_separately' => true]);

        return $tester;
    }
}

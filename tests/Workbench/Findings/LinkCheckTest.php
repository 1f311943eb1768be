<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Findings;

use Lantern\Core\Release\CopyName;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Findings\Inspection;
use Lantern\Workbench\Findings\KeepUp;
use Lantern\Workbench\Findings\KeepUpHandler;
use Lantern\Workbench\Findings\LinkCheck;

final class LinkCheckTest extends ShopTestCase
{
    public function testTooMuchIsForAWorkerWhichIsAskedOnce(): void
    {
        $check = $this->service(LinkCheck::class);
        self::assertTrue($check->catchUp());
        $this->workbench()->executeStatement("INSERT INTO journal.due (copy, subject, keys, person) VALUES ('workbench', '*', '{}', '')");
        self::assertFalse($check->catchUp());
        self::assertFalse($check->catchUp());
        self::assertSame('1', $this->value("SELECT count(*) FROM journal.message WHERE body LIKE '%CatchUp%'"));
        $this->service(Inspection::class)->walk(CopyName::Workbench);
        self::assertTrue($check->catchUp());
    }

    public function testHowFarAPlaceIsIsFoundByAWorkerAndNobodyWhoEditsWaitsForIt(): void
    {
        $far = "SELECT name FROM journal.finding WHERE copy = 'workbench' AND kind = 'place-far'";
        $check = $this->service(LinkCheck::class);
        $keepUp = $this->service(KeepUpHandler::class);
        $this->workbench()->executeStatement("INSERT INTO journal.visit (address, day, count) VALUES ('/threads-and-cords/silk', CURRENT_DATE - 1, 500) ON CONFLICT (address, day) DO UPDATE SET count = 500");
        $this->service(Inspection::class)->walk(CopyName::Workbench);
        self::assertNotContains('Silk for headbands', $this->workbench()->fetchFirstColumn($far));
        // Papers, marbled, stone, silk: only one after the other.
        $this->workbench()->executeStatement("UPDATE place SET parent_id = (SELECT id FROM place WHERE address = '/papers/marbled/stone') WHERE address = '/threads-and-cords/silk'");
        $this->workbench()->executeStatement("DELETE FROM entry WHERE on_page IS NOT NULL OR place_id IN (SELECT id FROM place WHERE kind = 'category' AND parent_id IS NOT NULL)");
        $this->workbench()->executeStatement('DELETE FROM words');
        self::assertTrue($check->catchUp());
        self::assertNotContains('Silk for headbands', $this->workbench()->fetchFirstColumn($far));
        $keepUp(new KeepUp());
        self::assertContains('Silk for headbands', $this->workbench()->fetchFirstColumn($far));
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.due'));
    }

    public function testADateThatPassesIsLookedAt(): void
    {
        $check = $this->service(LinkCheck::class);
        $this->workbench()->executeStatement("UPDATE place SET closes_on = now() + interval '1 second' WHERE address = '/threads-and-cords/silk'");
        $check->catchUp();
        self::assertSame('0', $this->value("SELECT count(*) FROM journal.finding WHERE copy = 'workbench' AND details ->> 'address' = '/threads-and-cords/silk'"));
        sleep(2);
        $check->catchUp();
        self::assertSame('2', $this->value("SELECT count(*) FROM journal.finding WHERE copy = 'workbench' AND details ->> 'address' = '/threads-and-cords/silk'"));
    }

    public function testWhoseEditItCameWith(): void
    {
        $check = $this->service(LinkCheck::class);
        $check->catchUp();
        $this->workbench()->executeStatement("SELECT set_config('lantern.person', 'Joss Tamblyn', false)");
        $this->workbench()->executeStatement("UPDATE place SET light = 'closed' WHERE address = '/threads-and-cords/silk'");
        $check->catchUp();
        self::assertSame('Joss Tamblyn', $this->value("SELECT DISTINCT person FROM journal.finding WHERE copy = 'workbench' AND details ->> 'address' = '/threads-and-cords/silk'"));
    }
}

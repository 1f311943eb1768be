<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Findings;

use Lantern\Core\Release\CopyName;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Findings\Inspection;
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
        self::assertSame('1', $this->value("SELECT count(*) FROM journal.message WHERE body LIKE '%WalkOver%'"));
        $this->service(Inspection::class)->walk(CopyName::Workbench);
        self::assertTrue($check->catchUp());
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

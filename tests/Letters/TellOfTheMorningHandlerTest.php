<?php

declare(strict_types=1);

namespace Lantern\Tests\Letters;

use Lantern\Core\Release\CopyName;
use Lantern\Letters\TellOfTheMorning;
use Lantern\Letters\TellOfTheMorningHandler;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Findings\Inspection;
use Lantern\Workbench\People\MorningMails;

final class TellOfTheMorningHandlerTest extends ShopTestCase
{
    public function testWhoeverWantsItIsToldOnceWhatBroke(): void
    {
        $handler = $this->service(TellOfTheMorningHandler::class);
        $this->service(MorningMails::class)->want($this->person(), true);
        $this->workbench()->executeStatement("UPDATE journal.finding SET since = now() - interval '3 days'");
        $handler(new TellOfTheMorning());
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.mail'), 'nothing broke');
        $this->workbench()->executeStatement("UPDATE live.place SET light = 'closed' WHERE address = '/threads-and-cords/silk'");
        $this->service(Inspection::class)->catchUp(CopyName::Live);
        $handler(new TellOfTheMorning());
        $handler(new TellOfTheMorning());
        self::assertSame(['1', 'editor@tansyandrook.example', 'Tansy & Rook: 3 things broke since yesterday'], [$this->value('SELECT count(*) FROM journal.mail'), $this->value('SELECT recipients FROM journal.mail'), $this->value('SELECT subject FROM journal.mail')]);
        self::assertStringContainsString('leads to', quoted_printable_decode($this->value('SELECT raw FROM journal.mail')));
        $this->workbench()->executeStatement('UPDATE journal.person SET morning_mail_on = morning_mail_on - 1');
        $this->service(MorningMails::class)->want($this->person(), false);
        $handler(new TellOfTheMorning());
        self::assertSame('1', $this->value('SELECT count(*) FROM journal.mail'), 'nobody wants it any more');
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\MorningMail;

use Lantern\Core\Release\CopyName;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Findings\Inspection;
use Lantern\Workbench\MorningMail\MorningMails;
use Lantern\Workbench\MorningMail\TellOfTheMorning;
use Lantern\Workbench\MorningMail\TellOfTheMorningHandler;
use Lantern\Workbench\MorningMail\TellPersonOfTheMorning;
use Lantern\Workbench\MorningMail\TellPersonOfTheMorningHandler;

final class TellOfTheMorningHandlerTest extends ShopTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->service(MorningMails::class)->want($this->actor(), true);
        $this->workbench()->executeStatement("UPDATE journal.finding SET since = now() - interval '3 days'");
    }

    public function testWhoeverWantsItIsToldOnceWhatBroke(): void
    {
        $this->tell('2026-03-01');
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.mail'), 'nothing broke');
        $this->breakSomething();
        $this->tell('2026-03-02');
        $this->tell('2026-03-02');
        self::assertSame(
            ['1', 'editor@tansyandrook.example', 'Tansy & Rook: 3 things broke'],
            [
                $this->value('SELECT count(*) FROM journal.mail'),
                $this->value('SELECT recipients FROM journal.mail'),
                $this->value('SELECT subject FROM journal.mail'),
            ],
        );
        self::assertStringContainsString('leads to', quoted_printable_decode($this->value('SELECT raw FROM journal.mail')));
        $this->service(MorningMails::class)->want($this->actor(), false);
        $this->tell('2026-03-03');
        self::assertSame('1', $this->value('SELECT count(*) FROM journal.mail'), 'nobody wants it any more');
    }

    public function testEachPersonHasAMessageOfTheirOwn(): void
    {
        $this->service(MorningMails::class)->want($this->actor('owner'), true);
        $this->service(TellOfTheMorningHandler::class)(new TellOfTheMorning());
        self::assertSame('2', $this->value("SELECT count(*) FROM journal.message WHERE queue_name = 'letters'"));
    }

    /** A worker that was down in the morning tells of the whole time since the last letter, not of a day. */
    public function testWhatBrokeSinceTheLastLetterIsToldHoweverLongThatIs(): void
    {
        $this->breakSomething();
        $this->workbench()->executeStatement("UPDATE journal.person SET morning_told_at = now() - interval '40 hours'");
        $this->workbench()->executeStatement(<<<'SQL'
            UPDATE journal.finding SET since = now() - interval '39 hours' WHERE broken AND since > now() - interval '1 day'
            SQL);
        $this->tell('2026-03-02');
        self::assertSame('1', $this->value('SELECT count(*) FROM journal.mail'));
    }

    public function testWhatCouldNotBeSentIsSentLaterAndOnce(): void
    {
        $this->breakSomething();
        // A mail server that is away: the stand-in for it cannot write.
        $this->workbench()->executeStatement('ALTER TABLE journal.mail RENAME TO mail_away');
        try {
            $this->tell('2026-03-02');
            self::fail('It was sent.');
        } catch (\Throwable) {
            self::assertSame('', $this->value(<<<'SQL'
                SELECT morning_mail_on FROM journal.person WHERE morning_mail
                SQL), 'it is not noted before it went out');
        }
        $this->workbench()->executeStatement('ALTER TABLE journal.mail_away RENAME TO mail');
        $this->tell('2026-03-02');
        $this->tell('2026-03-02');
        self::assertSame('1', $this->value('SELECT count(*) FROM journal.mail'));
    }

    private function breakSomething(): void
    {
        $this->workbench()->executeStatement("UPDATE live.place SET light = 'closed' WHERE address = '/threads-and-cords/silk'");
        $this->service(Inspection::class)->catchUp(CopyName::Live);
    }

    private function tell(string $day): void
    {
        $this->service(TellPersonOfTheMorningHandler::class)(new TellPersonOfTheMorning($this->person()->id, $day));
    }
}

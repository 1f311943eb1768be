<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Letters;

use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Letters\LetterToPerson;
use Lantern\Workbench\Letters\LetterToPersonHandler;
use Lantern\Workbench\Letters\Outbox;
use Lantern\Workbench\Queues\FailedMessages;
use Psr\Clock\ClockInterface;
use Symfony\Component\Mailer\Exception\TransportException;
use Symfony\Component\Mailer\MailerInterface;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Messenger\Retry\RetryStrategyInterface;
use Symfony\Component\Messenger\Stamp\RedeliveryStamp;
use Symfony\Component\Mime\Email;
use Symfony\Component\Process\Process;

/** Letters, when the mail server is away: none is lost, and none goes out twice. */
final class OutboxTest extends ShopTestCase
{
    private const ID = '01930000-0000-7000-8000-000000000001';

    public function testALetterIsTriedForThreeDaysAtLeast(): void
    {
        $strategy = self::getContainer()->get('messenger.retry.multiplier_retry_strategy.letters');
        self::assertInstanceOf(RetryStrategyInterface::class, $strategy);
        $envelope = new Envelope(new LetterToPerson('a@b.example', 'invitation', []));
        $milliseconds = 0;
        $longest = 0;
        for ($n = 0; $strategy->isRetryable($envelope); ++$n) {
            $wait = $strategy->getWaitingTime($envelope);
            [$milliseconds, $longest] = [$milliseconds + $wait, max($longest, $wait)];
            $envelope = $envelope->with(new RedeliveryStamp($n + 1));
        }
        // A tenth of it is by chance.
        self::assertGreaterThan(0.9 * 72 * 3_600_000, $milliseconds);
        self::assertLessThan(5 * 3_600_000, $longest, 'and no more than a few hours after it is back');
    }

    public function testIsNotedWhenItWentOutAndNotBefore(): void
    {
        $mailer = $this->mailer(away: 2);
        $outbox = $this->outbox($mailer);
        $write = static fn (): Email => (new Email())->to('a@b.example');
        foreach ([1, 2] as $_) {
            try {
                $outbox->sendOnce(self::ID, $write);
                self::fail('It was sent.');
            } catch (TransportException) {
                self::assertSame('0', $this->value('SELECT count(*) FROM journal.letter_sent'));
            }
        }
        $outbox->sendOnce(self::ID, $write);
        $outbox->sendOnce(self::ID, $write);
        self::assertCount(1, $mailer->sent);
        self::assertSame('<'.self::ID.'@127.0.0.1>', $mailer->sent[0]->getHeaders()->get('Message-ID')?->getBodyAsString());
    }

    public function testAnInvitationHoldsFromWhenItsLetterWentOut(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.invitation (id, mail, name, role, token_hash, invited_by, at, until)
            VALUES (?, 'nell@b.example', 'Nell', 'editor', 'x', 'Imke', now() - interval '2 days', now() + interval '1 day')
            SQL, [self::ID]);
        $this->service(LetterToPersonHandler::class)(new LetterToPerson(
            'nell@b.example',
            'invitation',
            ['name' => 'Nell', 'by' => 'Imke', 'link' => 'https://x.example'],
        ));
        self::assertSame('t', $this->value("SELECT CASE WHEN until > now() + interval '71 hours' THEN 't' END FROM journal.invitation"));
    }

    /** What gave up is seen, and sent again by one act; two who press at once send it once. */
    public function testWhatFailedForGoodIsKeptAndSentAgain(): void
    {
        $this->workbench()->executeStatement('ALTER TABLE journal.mail RENAME TO mail_away');
        $this->service(MessageBusInterface::class)->dispatch(new LetterToPerson(
            'nell@b.example',
            'invitation',
            ['name' => 'Nell', 'by' => 'Imke', 'link' => 'https://x.example'],
        ));
        // Three days pass: each time it is tried it is due again at once.
        for ($n = 0; $n < 40 && '0' === $this->value("SELECT count(*) FROM journal.message WHERE queue_name = 'failed'"); ++$n) {
            $this->workbench()->executeStatement(<<<'SQL'
                UPDATE journal.message SET available_at = now() AT TIME ZONE 'UTC' - interval '1 second'
                SQL);
            $this->consume();
        }
        self::assertSame(27, $n, 'once, and 26 times again');
        $failed = $this->service(FailedMessages::class)->all();
        self::assertCount(1, $failed);
        self::assertInstanceOf(LetterToPerson::class, $failed[0]->message);
        self::assertStringContainsString('mail', $failed[0]->why);
        $this->workbench()->executeStatement('ALTER TABLE journal.mail_away RENAME TO mail');
        $this->service(FailedMessages::class)->again($failed[0]->id, $this->actor('owner'));
        self::assertSame([], $this->service(FailedMessages::class)->all());
        $this->consume();
        self::assertSame(
            ['nell@b.example', '0'],
            [$this->value('SELECT recipients FROM journal.mail'), $this->value('SELECT count(*) FROM journal.message')],
        );
    }

    /** A row that somebody put there who has no key ends no worker, and is not done. */
    public function testAMessageThatNobodySignedIsThrownAwayAndTheWorkerGoesOn(): void
    {
        $bus = $this->service(MessageBusInterface::class);
        $bus->dispatch(new LetterToPerson('forged@b.example', 'invitation', ['name' => 'x', 'by' => 'x', 'link' => 'https://x.example']));
        $this->workbench()->executeStatement("UPDATE journal.message SET headers = '[]'");
        $bus->dispatch(new LetterToPerson(
            'nell@b.example',
            'invitation',
            ['name' => 'Nell', 'by' => 'Imke', 'link' => 'https://x.example'],
        ));
        $this->consume(2);
        self::assertSame(['nell@b.example'], $this->workbench()->fetchFirstColumn('SELECT recipients FROM journal.mail'));
        self::assertSame('0', $this->value('SELECT count(*) FROM journal.message'));
    }

    private function consume(int $messages = 1): void
    {
        $url = $_SERVER['DATABASE_URL'] ?? '';
        $worker = new Process(
            [
                \PHP_BINARY,
                'bin/console',
                'messenger:consume',
                'letters',
                "--limit=$messages",
                '--time-limit=5',
                '--sleep=0.05',
                '--no-interaction',
            ],
            \dirname(__DIR__, 3),
            ['APP_ENV' => 'test', 'DATABASE_URL' => \is_string($url) ? $url : ''],
        );
        $worker->mustRun();
    }

    private function outbox(MailerInterface $mailer): Outbox
    {
        return new Outbox(
            $this->workbench(),
            'http://127.0.0.1:8191',
            $mailer,
            $this->service(ClockInterface::class),
            $this->service(Locks::class),
        );
    }

    /** @return MailerInterface&object{sent: list<Email>} */
    private function mailer(int $away): MailerInterface
    {
        return new class($away) implements MailerInterface {
            /** @var list<Email> */
            public array $sent = [];

            public function __construct(private int $away)
            {
            }

            public function send(\Symfony\Component\Mime\RawMessage $message, ?\Symfony\Component\Mailer\Envelope $envelope = null): void
            {
                if ($this->away-- > 0) {
                    throw new TransportException('Connection refused');
                }
                if ($message instanceof Email) {
                    $this->sent[] = $message;
                }
            }
        };
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Tests\Workbench\Subscribers;

use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Letters\Mailbox;
use Lantern\Workbench\Subscribers\LetterWriter;
use Lantern\Workbench\Subscribers\Links;
use Lantern\Workbench\Subscribers\Subscriber;
use Lantern\Workbench\Subscribers\SubscriptionState;
use Lantern\Workbench\Subscribers\WriteLetter;
use Lantern\Workbench\Subscribers\WriteLetterHandler;
use Symfony\Component\Mime\Email;

final class LetterWriterTest extends ShopTestCase
{
    public function testItAsksWithALinkToSayYesAndOneToEndItAtOnce(): void
    {
        $ada = self::of(SubscriptionState::Asked);
        $links = $this->service(Links::class);
        $letter = $this->service(LetterWriter::class)->letter($ada);
        self::assertInstanceOf(Email::class, $letter);
        self::assertSame(
            ['ada@example.org', 'hello@tansyandrook.example', 'Tansy & Rook', 'Tansy & Rook: may we write to you?'],
            [
                $letter->getTo()[0]->getAddress(),
                $letter->getFrom()[0]->getAddress(),
                $letter->getFrom()[0]->getName(),
                $letter->getSubject(),
            ],
        );
        $headers = $letter->getHeaders();
        self::assertSame('<'.$links->no($ada).'>', $headers->get('List-Unsubscribe')?->getBodyAsString());
        self::assertSame('List-Unsubscribe=One-Click', $headers->get('List-Unsubscribe-Post')?->getBodyAsString());
        self::assertSame('auto-generated', $headers->get('Auto-Submitted')?->getBodyAsString());
        foreach ([$letter->getTextBody(), html_entity_decode((string) $letter->getHtmlBody())] as $body) {
            self::assertIsString($body);
            self::assertStringContainsString($links->yes($ada), $body);
            self::assertStringContainsString($links->no($ada), $body);
            self::assertStringContainsString('These letters <only>.', $body);
        }
        self::assertStringContainsString('These letters &lt;only&gt;.', (string) $letter->getHtmlBody());
        self::assertStringNotContainsString(
            '<',
            strip_tags('x').str_replace('<only>', '', (string) $letter->getTextBody()),
            'plain text is plain',
        );
    }

    public function testWhoIsOnTheListIsWelcomedAndWhoLeftIsNotWrittenTo(): void
    {
        $welcome = $this->service(LetterWriter::class)->letter(self::of(SubscriptionState::Confirmed));
        self::assertSame('Tansy & Rook: you are on the list', $welcome?->getSubject());
        self::assertStringNotContainsString('/sign-up/yes', (string) $welcome->getTextBody());
        self::assertNull($this->service(LetterWriter::class)->letter(self::of(SubscriptionState::Left)));
    }

    public function testWithoutAMailServerItIsKeptAsTheMailThatItIs(): void
    {
        $this->workbench()->executeStatement(<<<'SQL'
            INSERT INTO journal.subscriber (id, list, address, state, asked_at)
            VALUES ('01934000-0000-7000-8000-000000000001', 'Letters', 'ada@example.org', 'asked', now())
            SQL);
        $this->service(WriteLetterHandler::class)(new WriteLetter('01934000-0000-7000-8000-000000000001'));
        $this->service(WriteLetterHandler::class)(new WriteLetter('01934000-0000-7000-8000-000000000002'));
        self::assertTrue($this->service(Mailbox::class)->keeps());
        $mails = $this->service(Mailbox::class)->mails();
        self::assertCount(1, $mails);
        self::assertSame(['ada@example.org', 'Tansy & Rook: may we write to you?'], [$mails[0]->to, $mails[0]->subject]);
        self::assertMatchesRegularExpression('~^Content-Type: multipart/alternative~m', $mails[0]->raw);
        self::assertMatchesRegularExpression(
            '~^http\S+/sign-up/yes\?t=01934000-0000-7000-8000-000000000001\.[\w-]{43}$~m',
            str_replace("\r", '', $mails[0]->text()),
        );
        self::assertStringContainsString('Yes, write to me</a>', $mails[0]->html());
    }

    private static function of(SubscriptionState $standing): Subscriber
    {
        return new Subscriber(
            '01934000-0000-7000-8000-000000000001',
            'Letters',
            'ada@example.org',
            $standing,
            'These letters <only>.',
            new \DateTimeImmutable('2026-03-01 10:00 UTC'),
            null,
        );
    }
}

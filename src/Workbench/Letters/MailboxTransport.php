<?php

declare(strict_types=1);

namespace Lantern\Workbench\Letters;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;
use Symfony\Component\Uid\UuidV7;

/** Keeps the mails that would be sent, where no mail server is configured: the mailbox of the management interface shows them. */
final class MailboxTransport extends AbstractTransport
{
    /** The oldest go, so that a shop that never configures a mail server does not fill its disk. */
    private const MOST = 500;

    public function __construct(private readonly Connection $connection, private readonly ClockInterface $clock)
    {
        parent::__construct();
    }

    public function __toString(): string
    {
        return 'mailbox://kept';
    }

    protected function doSend(SentMessage $message): void
    {
        $original = $message->getOriginalMessage();
        $this->connection->insert('journal.mail', [
            'id' => (new UuidV7())->toRfc4122(),
            'at' => $this->clock->now()->format(\DATE_ATOM),
            'recipients' => implode(
                ', ',
                array_map(static fn (Address $one): string => $one->getAddress(), $message->getEnvelope()->getRecipients()),
            ),
            'subject' => $original instanceof Email ? (string) $original->getSubject() : '',
            'raw' => $message->toString(),
        ]);
        $this->connection->executeStatement(
            'DELETE FROM journal.mail WHERE id < (SELECT id FROM journal.mail ORDER BY id DESC OFFSET '.(self::MOST - 1).' LIMIT 1)',
        );
    }
}

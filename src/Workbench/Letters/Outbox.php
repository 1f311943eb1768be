<?php

declare(strict_types=1);

namespace Lantern\Workbench\Letters;

use Doctrine\DBAL\Connection;
use Lantern\Workbench\Edits\Lock;
use Lantern\Workbench\Edits\Locks;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Mailer\MailerInterface;
use Symfony\Component\Mime\Email;

/**
 * Sends each letter once. It is noted as sent when the mail server has taken it, and not before; a message that comes again after that is
 * done already. Where a worker dies between the two, the letter goes out again under the same Message-ID (RFC 5322, 3.6.4), by which
 * mail programs tell that it is the same.
 */
final readonly class Outbox
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        #[Autowire(env: 'LANTERN_ADMIN_URL')] private string $adminUrl,
        private MailerInterface $mailer,
        private ClockInterface $clock,
        private Locks $locks,
    ) {
    }

    /**
     * @param string             $id    of the letter, the same whenever it is tried again (UUID)
     * @param \Closure(): ?Email $write null: there is nothing to send any more
     */
    public function sendOnce(string $id, \Closure $write): void
    {
        $this->locks->during(Lock::Letter, $id, function () use ($id, $write): void {
            if (false !== $this->connection->fetchOne('SELECT 1 FROM journal.letter_sent WHERE id = ?', [$id])) {
                return;
            }
            $letter = $write();
            if (null !== $letter) {
                $host = parse_url($this->adminUrl, \PHP_URL_HOST);
                $letter->getHeaders()->addIdHeader('Message-ID', $id.'@'.(\is_string($host) ? $host : 'localhost'));
                $this->mailer->send($letter);
                $this->connection->executeStatement(<<<'SQL'
                    INSERT INTO journal.letter_sent (id, at) VALUES (?, ?) ON CONFLICT (id) DO NOTHING
                    SQL, [$id, $this->clock->now()->format(\DATE_ATOM)]);
            }
        });
    }
}

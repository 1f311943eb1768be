<?php

declare(strict_types=1);

namespace Lantern\Workbench\Letters;

use Doctrine\DBAL\Connection;
use Lantern\Reading\Sql\Row;
use Lantern\Workbench\Mailing\TellService;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The mails that no mail server took, because none is configured, and what the stand-in of a mailing service heard. */
final readonly class Mailbox
{
    private const MOST = 100;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        #[Autowire(env: 'default:lantern.mailer_dsn:MAILER_DSN')] private string $dsn,
    ) {
    }

    /** Whether mails are kept here; else a mail server takes them. */
    public function keeps(): bool
    {
        return str_starts_with($this->dsn, 'mailbox:');
    }

    /** @return list<KeptMail> the latest first */
    public function mails(): array
    {
        return array_map(
            static fn (array $columns): KeptMail => self::mail($columns),
            $this->connection->fetchAllAssociative('SELECT * FROM journal.mail ORDER BY id DESC LIMIT '.self::MOST),
        );
    }

    /** @return list<TellService> the latest first */
    public function told(): array
    {
        return array_map(static function (array $columns): TellService {
            $row = new Row($columns);

            return new TellService($row->text('type'), $row->text('list'), $row->text('address'), $row->moment('at')?->getTimestamp() ?? 0);
        }, $this->connection->fetchAllAssociative('SELECT * FROM journal.told_service ORDER BY at DESC, id LIMIT '.self::MOST));
    }

    /** @param array<string, mixed> $columns */
    private static function mail(array $columns): KeptMail
    {
        $row = new Row($columns);

        return new KeptMail(
            $row->text('id'),
            $row->moment('at') ?? new \DateTimeImmutable(),
            $row->text('recipients'),
            $row->text('subject'),
            $row->text('raw'),
        );
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\MorningMail;

use Doctrine\DBAL\Connection;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Findings\FindingTable;
use Lantern\Reading\Findings\FoundFinding;
use Lantern\Reading\Sql\Row;
use Lantern\Workbench\Letters\Outbox;
use Lantern\Workbench\Letters\Sender;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Mime\Email;
use Symfony\Component\Uid\Uuid;
use Twig\Environment;

/**
 * Tells somebody what broke for visitors since they were told the last time, whenever that was; a morning on which nothing did is no
 * reason to write. It is noted afterwards: what could not be sent is told by the next letter.
 */
#[AsMessageHandler(sign: true)]
final readonly class TellPersonOfTheMorningHandler
{
    private const MOST = 20;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        #[Autowire(env: 'LANTERN_ADMIN_URL')] private string $adminUrl,
        private FindingTable $table,
        private Copies $copies,
        private Outbox $outbox,
        private Environment $twig,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(TellPersonOfTheMorning $message): void
    {
        $columns = $this->connection->fetchAssociative(<<<'SQL'
            SELECT mail, morning_told_at FROM journal.person WHERE id = :id AND morning_mail AND left_at IS NULL
            AND morning_mail_on IS DISTINCT FROM CAST(:day AS date)
            SQL, ['id' => $message->personId, 'day' => $message->day]);
        if (false === $columns) {
            return;
        }
        $row = new Row($columns);
        $now = $this->clock->now();
        $found = $this->table->brokenSince($row->moment('morning_told_at') ?? $now->modify('-1 day'), self::MOST + 1);
        // One letter a day has one id, whichever message is about it.
        $this->outbox->sendOnce(
            Uuid::v5(Uuid::fromString(Uuid::NAMESPACE_OID), "morning {$message->personId} {$message->day}")->toRfc4122(),
            fn (): ?Email => [] === $found ? null : $this->letter($row->text('mail'), $found),
        );
        $this->connection->executeStatement(<<<'SQL'
            UPDATE journal.person SET morning_mail_on = :day, morning_told_at = :now WHERE id = :id
            SQL, ['day' => $message->day, 'now' => $now->format('Y-m-d H:i:s.uP'), 'id' => $message->personId]);
    }

    /** @param list<FoundFinding> $found */
    private function letter(string $mail, array $found): Email
    {
        $settings = $this->copies->live->settings;
        $settings->forget();
        $shop = $settings->all();
        $values = [
            'shop' => $shop->name(),
            'found' => array_map(
                static fn (FoundFinding $one): array => [
                    'name' => $one->finding->subject->name,
                    'says' => $one->says,
                    'visits' => $one->visits,
                ],
                \array_slice($found, 0, self::MOST),
            ),
            'more' => \count($found) > self::MOST,
            'link' => "$this->adminUrl/link-check?look=live",
        ];

        return (new Email())
            ->from(Sender::of($shop))
            ->to($mail)
            ->subject(1 === \count($found) ? \sprintf('%s: one thing broke', $shop->name()) : \sprintf(
                '%s: %s things broke',
                $shop->name(),
                \count($found) > self::MOST ? 'more than '.self::MOST : (string) \count($found),
            ))
            ->text($this->twig->render('letters/morning.txt.twig', $values))
            ->html($this->twig->render('letters/morning.html.twig', $values));
    }
}

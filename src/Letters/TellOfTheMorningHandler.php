<?php

declare(strict_types=1);

namespace Lantern\Letters;

use Doctrine\DBAL\Connection;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Findings\FindingTable;
use Lantern\Reading\Findings\FoundFinding;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Mailer\MailerInterface;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Mime\Email;
use Twig\Environment;

/** Tells those who want it what broke for visitors since the morning before; a morning on which nothing did is no reason to write. */
#[AsMessageHandler]
final readonly class TellOfTheMorningHandler
{
    private const MOST = 20;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        #[Autowire(env: 'LANTERN_ADMIN_URL')] private string $adminUrl,
        private FindingTable $table,
        private Copies $copies,
        private MailerInterface $mailer,
        private Environment $twig,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(TellOfTheMorning $message): void
    {
        $now = $this->clock->now();
        $settings = $this->copies->live->settings;
        $settings->forget();
        $shop = $settings->all();
        $today = $now->setTimezone($shop->zone())->format('Y-m-d');
        $found = $this->table->brokenSince($now->modify('-1 day'), self::MOST + 1);
        foreach ($this->connection->fetchAllKeyValue('SELECT id, mail FROM journal.person WHERE morning_mail AND left_at IS NULL') as $id => $mail) {
            // Whoever was told today is not told again, however often this comes.
            if ([] === $found || !\is_string($mail) || 0 === (int) $this->connection->executeStatement('UPDATE journal.person SET morning_mail_on = :today WHERE id = :id AND morning_mail_on IS DISTINCT FROM CAST(:today AS date)', ['today' => $today, 'id' => $id])) {
                continue;
            }
            $values = ['shop' => $shop->name(), 'found' => array_map(static fn (FoundFinding $one): array => ['name' => $one->finding->subject->name, 'says' => $one->says, 'visits' => $one->visits], \array_slice($found, 0, self::MOST)), 'more' => \count($found) > self::MOST, 'link' => "$this->adminUrl/link-check?look=live"];
            $this->mailer->send((new Email())
                ->from(Sender::of($shop))
                ->to($mail)
                ->subject(1 === \count($found) ? \sprintf('%s: one thing broke since yesterday', $shop->name()) : \sprintf('%s: %s things broke since yesterday', $shop->name(), \count($found) > self::MOST ? 'more than '.self::MOST : (string) \count($found)))
                ->text($this->twig->render('letters/morning.txt.twig', $values))
                ->html($this->twig->render('letters/morning.html.twig', $values)));
        }
    }
}

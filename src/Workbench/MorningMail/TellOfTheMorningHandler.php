<?php

declare(strict_types=1);

namespace Lantern\Workbench\MorningMail;

use Doctrine\DBAL\Connection;
use Lantern\Reading\Copies\Copies;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\MessageBusInterface;

/** Whoever wants to be told is told by a message of their own, so that nobody's waits for another's. */
#[AsMessageHandler(sign: true)]
final readonly class TellOfTheMorningHandler
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private Copies $copies,
        private MessageBusInterface $bus,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(TellOfTheMorning $message): void
    {
        $settings = $this->copies->live->settings;
        $settings->forget();
        $day = $this->clock->now()->setTimezone($settings->zone())->format('Y-m-d');
        foreach ($this->connection->fetchFirstColumn(<<<'SQL'
            SELECT id FROM journal.person WHERE morning_mail AND left_at IS NULL ORDER BY id
            SQL) as $id) {
            if (\is_string($id)) {
                $this->bus->dispatch(new TellPersonOfTheMorning($id, $day));
            }
        }
    }
}

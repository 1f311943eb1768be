<?php

declare(strict_types=1);

namespace Lantern\Workbench\Letters;

use Doctrine\DBAL\Connection;
use Lantern\Core\Person\InvitationRule;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;

#[AsMessageHandler(sign: true)]
final readonly class LetterToPersonHandler
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private Outbox $outbox,
        private PeopleLetters $letters,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(LetterToPerson $message): void
    {
        $this->outbox->sendOnce($message->id, fn () => $this->letters->written($message));
        if ('invitation' === $message->letter) {
            // Three days from when it went out, however long the mail server was away.
            $until = $this->clock->now()->modify(InvitationRule::HOLDS)->format(\DATE_ATOM);
            $this->connection->executeStatement(<<<'SQL'
                UPDATE journal.invitation SET until = greatest(until, :until) WHERE mail = :mail
                SQL, ['until' => $until, 'mail' => mb_strtolower($message->mail)]);
        }
    }
}

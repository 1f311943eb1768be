<?php

declare(strict_types=1);

namespace Lantern\Workbench\Queues;

use Doctrine\DBAL\Connection;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Workbench\Audit\AuditLog;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Messenger\Stamp\ErrorDetailsStamp;
use Symfony\Component\Messenger\Stamp\RedeliveryStamp;
use Symfony\Component\Messenger\Stamp\TransportMessageIdStamp;
use Symfony\Component\Messenger\Transport\Receiver\ListableReceiverInterface;

/** What gave up stays until somebody sends it again or lets it go. */
final readonly class FailedMessages
{
    private const MOST = 200;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        #[Autowire(service: 'messenger.transport.failed')] private ListableReceiverInterface $failed,
        private MessageBusInterface $bus,
        private AuditLog $audit,
    ) {
    }

    /** @return list<FailedMessage> the latest first */
    public function all(): array
    {
        $all = [];
        foreach ($this->failed->all(self::MOST) as $envelope) {
            $all[] = self::of($envelope);
        }
        usort($all, static fn (FailedMessage $one, FailedMessage $other): int => [$other->at, $other->id] <=> [$one->at, $one->id]);

        return $all;
    }

    /**
     * Sends it on its way once more, from the beginning.
     *
     * @throws NotThere
     */
    public function again(string $id, Actor $by): void
    {
        $this->end($id, $by, 'message-again', fn (Envelope $envelope) => $this->bus->dispatch($envelope->getMessage()));
    }

    /** @throws NotThere */
    public function letGo(string $id, Actor $by): void
    {
        $this->end($id, $by, 'message-let-go', static fn () => null);
    }

    /** @param \Closure(Envelope): mixed $act */
    private function end(string $id, Actor $by, string $what, \Closure $act): void
    {
        $this->connection->transactional(function () use ($id, $by, $what, $act): void {
            // Two owners who press at once send it once.
            if (false === $this->connection->fetchOne(<<<'SQL'
                SELECT 1 FROM journal.message WHERE id = ? AND queue_name = 'failed' FOR UPDATE
                SQL, [$id])) {
                throw new NotThere('This is no longer among what has failed. Somebody has sent it again, or let it go.');
            }
            $envelope = $this->failed->find($id) ?? throw new NotThere('This is no longer among what has failed.');
            $act($envelope);
            $this->failed->reject($envelope);
            $this->audit->add($by, $what, ['message' => (new \ReflectionClass($envelope->getMessage()))->getShortName()]);
        });
    }

    private static function of(Envelope $envelope): FailedMessage
    {
        $id = $envelope->last(TransportMessageIdStamp::class)?->getId();

        return new FailedMessage(
            \is_scalar($id) ? (string) $id : '',
            $envelope->getMessage(),
            \DateTimeImmutable::createFromInterface(
                $envelope->last(RedeliveryStamp::class)?->getRedeliveredAt() ?? new \DateTimeImmutable('@0'),
            ),
            $envelope->last(ErrorDetailsStamp::class)?->getExceptionMessage() ?? '',
        );
    }
}

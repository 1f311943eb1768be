<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Release\CopyName;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\MessageBusInterface;

/** Keeps what was found in step with the shop, and leaves what is too much for a request to a worker. */
final readonly class LinkCheck
{
    /** A worker is asked again when nothing came of it for so long. */
    private const ASKED_AGAIN = "interval '10 minutes'";

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private Inspection $inspection,
        private MessageBusInterface $bus,
    ) {
    }

    /** @return bool whether what is kept is of now; else a worker looks at it */
    public function catchUp(): bool
    {
        $isOfNow = true;
        foreach (CopyName::cases() as $copy) {
            if (!$this->inspection->catchUp($copy)) {
                $isOfNow = false;
                // Else somebody looks just now.
                if ($this->inspection->isMuch($copy)) {
                    $this->askWorker($copy);
                }
            }
        }

        return $isOfNow;
    }

    private function askWorker(CopyName $copy): void
    {
        $this->connection->transactional(function () use ($copy): void {
            $asked = $this->connection->executeStatement(
                'UPDATE journal.look SET asked_at = journal.moment() WHERE copy = ? AND (asked_at IS NULL OR asked_at < journal.moment() - '
                    .self::ASKED_AGAIN.')',
                [$copy->value],
            );
            if (1 === $asked) {
                $this->bus->dispatch(new CatchUp($copy->value));
            }
        });
    }
}

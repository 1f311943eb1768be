<?php

declare(strict_types=1);

namespace Lantern\Workbench\Mailing;

use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Uid\Uuid;

#[AsMessageHandler(sign: true)]
final readonly class TellServiceHandler
{
    public function __construct(private MailingServices $services)
    {
    }

    public function __invoke(TellService $message): void
    {
        // The same event has the same id, however often it is told.
        $id = Uuid::v5(
            Uuid::fromString(Uuid::NAMESPACE_OID),
            "{$message->type} {$message->list} {$message->address} {$message->at}",
        )->toRfc4122();
        $this->services->service()->tell($id, $message);
    }
}

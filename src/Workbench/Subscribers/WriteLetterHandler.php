<?php

declare(strict_types=1);

namespace Lantern\Workbench\Subscribers;

use Lantern\Workbench\Letters\Outbox;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Mime\Email;

#[AsMessageHandler(sign: true)]
final readonly class WriteLetterHandler
{
    public function __construct(private Subscribers $subscribers, private LetterWriter $writer, private Outbox $outbox)
    {
    }

    public function __invoke(WriteLetter $message): void
    {
        $this->outbox->sendOnce($message->id, function () use ($message): ?Email {
            $subscriber = $this->subscribers->get($message->subscriberId);

            return null === $subscriber ? null : $this->writer->letter($subscriber);
        });
    }
}

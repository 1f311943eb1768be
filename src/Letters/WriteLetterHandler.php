<?php

declare(strict_types=1);

namespace Lantern\Letters;

use Symfony\Component\Mailer\MailerInterface;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;

#[AsMessageHandler]
final readonly class WriteLetterHandler
{
    public function __construct(private Subscribers $subscribers, private LetterWriter $writer, private MailerInterface $mailer)
    {
    }

    public function __invoke(WriteLetter $message): void
    {
        $subscriber = $this->subscribers->get($message->subscriberId);
        $letter = null === $subscriber ? null : $this->writer->letter($subscriber);
        if (null !== $letter) {
            $this->mailer->send($letter);
        }
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Letters;

use Lantern\Reading\Copies\Copies;
use Symfony\Component\Mailer\MailerInterface;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Mime\Email;
use Twig\Environment;

#[AsMessageHandler]
final readonly class LetterToPersonHandler
{
    public function __construct(private Copies $copies, private MailerInterface $mailer, private Environment $twig)
    {
    }

    public function __invoke(LetterToPerson $message): void
    {
        $settings = $this->copies->live->settings;
        $settings->forget();
        $shop = $settings->all();
        $from = Sender::of($shop);
        $name = $from->getName();
        $this->mailer->send((new Email())
            ->from($from)
            ->to($message->mail)
            ->subject('invitation' === $message->letter ? "$name: you are invited to work on the shop" : "$name: a new password")
            ->text($this->twig->render("letters/{$message->letter}.txt.twig", $message->values + ['shop' => $name])));
    }
}

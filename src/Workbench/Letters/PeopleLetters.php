<?php

declare(strict_types=1);

namespace Lantern\Workbench\Letters;

use Lantern\Reading\Copies\Copies;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Mime\Email;
use Twig\Environment;

/** Letters to those who work here, written by a worker. */
final readonly class PeopleLetters
{
    public function __construct(private MessageBusInterface $bus, private Copies $copies, private Environment $twig, private Outbox $outbox)
    {
    }

    public function invitation(string $mail, string $name, string $by, string $link): void
    {
        $this->bus->dispatch(new LetterToPerson($mail, 'invitation', ['name' => $name, 'by' => $by, 'link' => $link]));
    }

    /**
     * Sends it now, for a worker that has just made the link: one that waited for the mail server would have ended by then.
     *
     * @param string             $id   of the letter, the same whenever it is tried again
     * @param \Closure(): string $link makes it
     */
    public function passwordNow(string $id, string $mail, \Closure $link): void
    {
        $this->outbox->sendOnce($id, fn (): Email => $this->written(new LetterToPerson($mail, 'password', ['link' => $link()])));
    }

    public function written(LetterToPerson $letter): Email
    {
        $settings = $this->copies->live->settings;
        $settings->forget();
        $shop = $settings->all();
        $from = Sender::of($shop);
        $name = $from->getName();

        return (new Email())
            ->from($from)
            ->to($letter->mail)
            ->subject('invitation' === $letter->letter ? "$name: you are invited to work on the shop" : "$name: a new password")
            ->text($this->twig->render("letters/{$letter->letter}.txt.twig", $letter->values + ['shop' => $name]));
    }
}

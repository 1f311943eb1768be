<?php

declare(strict_types=1);

namespace Lantern\Letters;

use Symfony\Component\Messenger\MessageBusInterface;

/** Letters to those who work here, written by a worker. */
final readonly class PeopleLetters
{
    public function __construct(private MessageBusInterface $bus)
    {
    }

    public function invitation(string $mail, string $name, string $by, string $link): void
    {
        $this->bus->dispatch(new LetterToPerson($mail, 'invitation', ['name' => $name, 'by' => $by, 'link' => $link]));
    }

    public function password(string $mail, string $link): void
    {
        $this->bus->dispatch(new LetterToPerson($mail, 'password', ['link' => $link]));
    }
}

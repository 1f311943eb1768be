<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Lantern\Workbench\Letters\PeopleLetters;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;

#[AsMessageHandler(sign: true)]
final readonly class PasswordWantedHandler
{
    public function __construct(
        private TeamEditor $team,
        private PeopleLetters $letters,
        #[Autowire(env: 'LANTERN_ADMIN_URL')] private string $adminUrl,
    ) {
    }

    public function __invoke(PasswordWanted $message): void
    {
        $mail = mb_strtolower(trim($message->mail));
        if ($this->team->works($mail)) {
            $this->letters->passwordNow(
                $message->id,
                $mail,
                fn (): string => "$this->adminUrl/password/".$this->team->askForPassword($mail),
            );
        }
    }
}

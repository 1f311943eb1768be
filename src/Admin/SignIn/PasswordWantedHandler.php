<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Letters\PeopleLetters;
use Lantern\Workbench\People\TeamEditor;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;

#[AsMessageHandler]
final readonly class PasswordWantedHandler
{
    public function __construct(private TeamEditor $team, private PeopleLetters $letters, #[Autowire(env: 'LANTERN_ADMIN_URL')] private string $adminUrl)
    {
    }

    public function __invoke(PasswordWanted $message): void
    {
        $token = $this->team->askForPassword($message->mail);
        if (null !== $token) {
            $this->letters->password(mb_strtolower(trim($message->mail)), "$this->adminUrl/password/$token");
        }
    }
}

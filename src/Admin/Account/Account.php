<?php

declare(strict_types=1);

namespace Lantern\Admin\Account;

use Lantern\Core\Person\Actor;
use Lantern\Core\Person\SignInLevel;
use Lantern\Workbench\People\Person;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;

/** A person who is signed in to the management interface, in one browser. */
final readonly class Account implements UserInterface, PasswordAuthenticatedUserInterface
{
    /** @param string $session id of the own session, see OwnSessions; empty where somebody is about to sign in */
    public function __construct(public Person $person, public SignInLevel $standing = SignInLevel::Whole, public string $session = '')
    {
    }

    public function actor(): Actor
    {
        return $this->person->actor();
    }

    public function getUserIdentifier(): string
    {
        return $this->person->mail ?: throw new \LogicException('A person without a mail address cannot sign in.');
    }

    public function getRoles(): array
    {
        return [match ($this->standing) {
            SignInLevel::Whole => 'ROLE_'.strtoupper($this->person->role),
            SignInLevel::FactorAwaited => 'ROLE_FACTOR_AWAITED',
            SignInLevel::WithoutFactor => 'ROLE_WITHOUT_FACTOR',
        }];
    }

    public function getPassword(): string
    {
        return $this->person->password;
    }

    /** The session keeps no more than what tells that the password was changed. @return array<string, mixed> */
    public function __serialize(): array
    {
        $person = clone $this->person;
        $person->password = hash('crc32c', $person->password);

        return ['person' => $person, 'standing' => $this->standing, 'session' => $this->session];
    }

    /**
     * What an earlier version of the program kept has no session, and so goes on nowhere.
     *
     * @param array{person: Person, standing?: SignInLevel, session?: string} $data
     */
    public function __unserialize(array $data): void
    {
        $this->person = $data['person'];
        $this->standing = $data['standing'] ?? SignInLevel::FactorAwaited;
        $this->session = $data['session'] ?? '';
    }

    public function eraseCredentials(): void
    {
    }
}

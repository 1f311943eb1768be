<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Workbench\Entity\Person;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;

/** A person who is signed in to the management interface. */
final readonly class Account implements UserInterface, PasswordAuthenticatedUserInterface
{
    public function __construct(public Person $person)
    {
    }

    public function getUserIdentifier(): string
    {
        return $this->person->mail ?: throw new \LogicException('A person without a mail address cannot sign in.');
    }

    public function getRoles(): array
    {
        return ['ROLE_'.strtoupper($this->person->role)];
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

        return ['person' => $person];
    }

    /** @param array{person: Person} $data */
    public function __unserialize(array $data): void
    {
        $this->person = $data['person'];
    }

    public function eraseCredentials(): void
    {
    }
}

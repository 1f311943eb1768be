<?php

declare(strict_types=1);

namespace Lantern\Admin;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Persistence\Journal\Person;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Security\Core\User\UserProviderInterface;

/** @implements UserProviderInterface<Account> */
final readonly class SignedInPeople implements UserProviderInterface
{
    public function __construct(private EntityManagerInterface $entities)
    {
    }

    public function loadUserByIdentifier(string $identifier): UserInterface
    {
        $person = $this->entities->getRepository(Person::class)->findOneBy(['mail' => mb_strtolower(trim($identifier))]);

        return null === $person ? throw new UserNotFoundException() : new Account($person);
    }

    public function refreshUser(UserInterface $user): UserInterface
    {
        return $this->loadUserByIdentifier($user->getUserIdentifier());
    }

    public function supportsClass(string $class): bool
    {
        return Account::class === $class;
    }
}

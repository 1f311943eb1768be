<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Workbench\Entity\Person;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Security\Core\User\UserProviderInterface;

/** @implements UserProviderInterface<Account> */
final readonly class SignedInPeople implements UserProviderInterface
{
    /** Of random bytes that nobody kept, as costly as any other: a wrong name takes as long as a wrong password. */
    private const OF_NOBODY = '$2y$12$MOinoVHOmOMFiLrpFOVtWuV28hj8sozXzulgMbprjPzpfW0iFNpZi';

    public function __construct(private EntityManagerInterface $entities)
    {
    }

    /** Whoever signs in; where nobody has the name, somebody whose password is never right. */
    public function loadUserByIdentifier(string $identifier): UserInterface
    {
        return new Account($this->person($identifier) ?? new Person('00000000-0000-0000-0000-000000000000', '', self::mail($identifier) ?: 'nobody', self::OF_NOBODY, 'viewer'));
    }

    public function refreshUser(UserInterface $user): UserInterface
    {
        return new Account($this->person($user->getUserIdentifier()) ?? throw new UserNotFoundException());
    }

    public function supportsClass(string $class): bool
    {
        return Account::class === $class;
    }

    private function person(string $identifier): ?Person
    {
        return $this->entities->getRepository(Person::class)->findOneBy(['mail' => self::mail($identifier)]);
    }

    private static function mail(string $identifier): string
    {
        return mb_strtolower(trim(str_replace("\0", '', mb_scrub($identifier, 'UTF-8'))));
    }
}

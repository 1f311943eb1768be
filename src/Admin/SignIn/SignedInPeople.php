<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Admin\Account\Account;
use Lantern\Workbench\People\OwnSessions;
use Lantern\Workbench\People\Person;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\PasswordUpgraderInterface;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Security\Core\User\UserProviderInterface;

/** @implements UserProviderInterface<Account> */
final readonly class SignedInPeople implements UserProviderInterface, PasswordUpgraderInterface
{
    /** Of random bytes that nobody kept, as costly as any other: a wrong name takes as long as a wrong password. */
    private const OF_NOBODY = '$argon2id$v=19$m=32768,t=3,p=1$dnNHU3VBT2R6eEdSdnExRg$o725DCpUE/r/BRvRFvPZU5Fwfrq+uu+Klk8j7kbr2pE';

    public function __construct(private EntityManagerInterface $entities, private OwnSessions $sessions)
    {
    }

    /** Whoever signs in; where nobody has the name, somebody whose password is never right. */
    public function loadUserByIdentifier(string $identifier): UserInterface
    {
        $person = $this->person($identifier);
        if (null !== $person) {
            // It may have been read before its password was changed.
            $this->entities->refresh($person);
        }
        $person ??= new Person('00000000-0000-0000-0000-000000000000', '', self::mail($identifier) ?: 'nobody', self::OF_NOBODY, 'viewer');

        return new Account($person, $this->sessions->atFirst($person));
    }

    public function refreshUser(UserInterface $user): UserInterface
    {
        $person = $this->person($user->getUserIdentifier()) ?? throw new UserNotFoundException();
        $session = $user instanceof Account ? $user->session : '';

        return new Account($person, $this->sessions->see($session, $person) ?? throw new UserNotFoundException(), $session);
    }

    public function supportsClass(string $class): bool
    {
        return Account::class === $class;
    }

    /** Passwords that were hashed in an older way are hashed anew when they are typed. */
    public function upgradePassword(PasswordAuthenticatedUserInterface $user, #[\SensitiveParameter] string $newHashedPassword): void
    {
        if ($user instanceof Account) {
            $this->entities->getConnection()->executeStatement(
                'UPDATE journal.person SET password = ? WHERE id = ?',
                [$newHashedPassword, $user->person->id],
            );
            $user->person->password = $newHashedPassword;
        }
    }

    /** Who has left stays in the books, and signs in no more. */
    private function person(string $identifier): ?Person
    {
        return $this->entities->getRepository(Person::class)->findOneBy(['mail' => self::mail($identifier), 'leftAt' => null]);
    }

    private static function mail(string $identifier): string
    {
        return mb_strtolower(trim(str_replace("\0", '', mb_scrub($identifier, 'UTF-8'))));
    }
}

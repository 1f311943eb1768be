<?php

declare(strict_types=1);

namespace Lantern\Tests\Admin\SignIn;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Admin\Account\Account;
use Lantern\Admin\SignIn\SignedInPeople;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\People\OwnSessions;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;

final class SignedInPeopleTest extends ShopTestCase
{
    public function testAWrongNameTakesAsLongAsAWrongPassword(): void
    {
        $people = $this->service(SignedInPeople::class);
        $cost = static function (Account $account): array {
            $info = password_get_info((string) $account->getPassword());

            return [$info['algo'], $info['options']];
        };
        $nobody = $people->loadUserByIdentifier('nobody@tansyandrook.example');
        $somebody = $people->loadUserByIdentifier('editor@tansyandrook.example');
        self::assertInstanceOf(Account::class, $nobody);
        self::assertInstanceOf(Account::class, $somebody);
        self::assertSame($cost($somebody), $cost($nobody), 'both passwords are hashed at the same cost');
        foreach (['', 'nobody', 'lantern-editor'] as $password) {
            self::assertFalse(password_verify($password, (string) $nobody->getPassword()));
        }
        self::assertTrue(password_verify('lantern-editor', (string) $somebody->getPassword()));
    }

    public function testANameThatIsNoTextIsNobodys(): void
    {
        foreach (["\xff", "a\0b", str_repeat('x', 5000), ''] as $name) {
            self::assertInstanceOf(Account::class, $this->service(SignedInPeople::class)->loadUserByIdentifier($name));
        }
    }

    public function testASessionOfAnEarlierVersionIsSignedOutAndBreaksNothing(): void
    {
        $account = (new \ReflectionClass(Account::class))->newInstanceWithoutConstructor();
        $account->__unserialize(['person' => $this->person()]);
        $this->expectException(UserNotFoundException::class);
        $this->service(SignedInPeople::class)->refreshUser($account);
    }

    public function testWhoIsNoLongerThereIsSignedOut(): void
    {
        $account = new Account($this->person(), session: $this->service(OwnSessions::class)->begin($this->person(), '', ''));
        $this->workbench()->executeStatement("UPDATE journal.person SET mail = 'other@tansyandrook.example' WHERE role = 'editor'");
        $this->expectException(UserNotFoundException::class);
        $this->service(EntityManagerInterface::class)->clear();
        $this->service(SignedInPeople::class)->refreshUser($account);
    }
}

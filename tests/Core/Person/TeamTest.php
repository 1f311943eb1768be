<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Person;

use Lantern\Core\Person\Role;
use Lantern\Core\Person\Team;
use Lantern\Core\Refused;
use PHPUnit\Framework\TestCase;

final class TeamTest extends TestCase
{
    public function testTheLastOwnerCannotGo(): void
    {
        $two = new Team(['a' => Role::Owner, 'b' => Role::Owner, 'c' => Role::Editor]);
        $two->refuseWithoutOwner('a', null);
        $two->refuseWithoutOwner('b', Role::Viewer);
        $one = new Team(['a' => Role::Owner, 'c' => Role::Editor]);
        $one->refuseWithoutOwner('a', Role::Owner);
        $one->refuseWithoutOwner('c', null);
        foreach ([null, Role::Publisher] as $role) {
            try {
                $one->refuseWithoutOwner('a', $role);
                self::fail('Nobody is left.');
            } catch (Refused $refused) {
                self::assertStringContainsString('last owner', $refused->getMessage());
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Console;

use Doctrine\DBAL\Connection;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Role;
use Lantern\Core\Refused;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Reads whom a command is about, and what they may do. */
final readonly class PersonInput
{
    public function __construct(#[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection)
    {
    }

    public static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }

    /** @throws Refused */
    public static function role(mixed $value): Role
    {
        return Role::tryFrom(self::text($value))
            ?? throw new Refused(
                'role',
                'A role is one of '.implode(', ', array_map(static fn (Role $one): string => $one->value, Role::cases())).'.',
            );
    }

    /** @return string the id @throws NotThere */
    public function idOf(mixed $mail): string
    {
        $id = $this->connection->fetchOne(<<<'SQL'
            SELECT id FROM journal.person WHERE mail = ? AND left_at IS NULL
            SQL, [mb_strtolower(trim(self::text($mail)))]);

        return \is_string($id) ? $id : throw new NotThere('Nobody with this address works here.');
    }
}

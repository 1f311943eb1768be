<?php

declare(strict_types=1);

namespace Lantern\Core\Person;

use Lantern\Core\Refused;

/** Those who work here, as far as it matters who of them may do what. */
final readonly class Team
{
    /** @param array<string, Role> $roles of those who can sign in, by id */
    public function __construct(private array $roles)
    {
    }

    /**
     * Somebody gets another role, or cannot sign in any more.
     *
     * @param Role|null $role null: they are let go
     *
     * @throws Refused where nobody would be left who may do everything
     */
    public function refuseWithoutOwner(string $personId, ?Role $role): void
    {
        if (Role::Owner !== ($this->roles[$personId] ?? null) || Role::Owner === $role) {
            return;
        }
        if (1 === \count(array_filter($this->roles, static fn (Role $one): bool => Role::Owner === $one))) {
            throw new Refused('role', 'This is the last owner, and a shop needs one. Make somebody else an owner first.');
        }
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Lantern\Core\Person\Actor;
use Lantern\Core\Person\Role;

/** Somebody who works on the shop. */
#[ORM\Entity]
#[ORM\Table(name: 'person', schema: 'journal')]
class Person
{
    /**
     * @param string $password hashed
     * @param string $role     owner, publisher, editor or viewer
     */
    public function __construct(
        #[ORM\Id]
        #[ORM\Column(type: Types::GUID)]
        public readonly string $id,
        #[ORM\Column(type: Types::TEXT)]
        public string $name,
        #[ORM\Column(type: Types::TEXT)]
        public string $mail,
        #[ORM\Column(type: Types::TEXT)]
        public string $password,
        #[ORM\Column(type: Types::TEXT)]
        public string $role,
        #[ORM\Column(name: 'left_at', type: Types::DATETIMETZ_IMMUTABLE, nullable: true)]
        public ?\DateTimeImmutable $leftAt = null,
    ) {
    }

    public function actor(): Actor
    {
        return new Actor($this->id, $this->name, Role::from($this->role));
    }
}

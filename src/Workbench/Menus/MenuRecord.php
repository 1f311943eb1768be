<?php

declare(strict_types=1);

namespace Lantern\Workbench\Menus;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * A menu on the workbench, or what is laid out like one: the body of a page, under the id of its place; a wide panel, under
 * the id of its entry. Its version counts every change of it or of an entry in it.
 */
#[ORM\Entity]
#[ORM\Table(name: 'menu')]
class MenuRecord
{
    #[ORM\Version]
    #[ORM\Column(type: Types::INTEGER)]
    public int $version = 1;

    #[ORM\Column(type: Types::DATETIMETZ_IMMUTABLE)]
    public \DateTimeImmutable $changedAt;

    #[ORM\Column(type: Types::TEXT)]
    public string $changedBy = '';

    public function __construct(
        #[ORM\Id]
        #[ORM\Column(type: Types::GUID)]
        public readonly string $id,
        #[ORM\Column(type: Types::TEXT)]
        public string $name,
        #[ORM\Column]
        public int $position = 0,
        #[ORM\Column(type: Types::TEXT)]
        public readonly string $kind = 'menu',
    ) {
        $this->changedAt = new \DateTimeImmutable();
    }
}

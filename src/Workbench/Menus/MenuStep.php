<?php

declare(strict_types=1);

namespace Lantern\Workbench\Menus;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** A move that a person made in a menu, with the move that leads back. Ids ascend, so they are the order. */
#[ORM\Entity]
#[ORM\Table(name: 'step', schema: 'journal')]
class MenuStep
{
    #[ORM\Column]
    public bool $undone = false;

    /**
     * @param array<string, mixed> $move    in the shape of MoveCodec
     * @param array<string, mixed> $inverse in the shape of MoveCodec
     * @param int                  $version of the menu that it led to last, done or undone
     */
    public function __construct(
        #[ORM\Id]
        #[ORM\Column(type: Types::GUID)]
        public readonly string $id,
        #[ORM\Column(type: Types::GUID)]
        public readonly string $menuId,
        #[ORM\Column(type: Types::GUID)]
        public readonly string $personId,
        #[ORM\Column(type: Types::JSON, options: ['jsonb' => true])]
        public array $move,
        #[ORM\Column(type: Types::JSON, options: ['jsonb' => true])]
        public array $inverse,
        #[ORM\Column]
        public int $version,
    ) {
    }
}

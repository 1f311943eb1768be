<?php

declare(strict_types=1);

namespace Lantern\Workbench\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** One position of the frame, and the menu that hangs there. */
#[ORM\Entity]
#[ORM\Table(name: 'bay')]
class BayRecord
{
    /** @param string $id header or footer-1 to footer-5 */
    public function __construct(
        #[ORM\Id]
        #[ORM\Column(type: Types::TEXT)]
        public readonly string $id,
        #[ORM\Column(type: Types::GUID, nullable: true)]
        public ?string $menuId,
        #[ORM\Column(type: Types::TEXT)]
        public string $heading = '',
        #[ORM\Column]
        public int $position = 0,
    ) {
    }
}

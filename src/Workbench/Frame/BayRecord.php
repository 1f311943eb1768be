<?php

declare(strict_types=1);

namespace Lantern\Workbench\Frame;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** One position of the frame, and the menu that hangs there. */
#[ORM\Entity]
#[ORM\Table(name: 'bay')]
class BayRecord
{
    /** Parts of the footer's width, 1 to 4. */
    #[ORM\Column]
    public int $share = 1;

    /** Whether it shows the pages of its group by itself. */
    #[ORM\Column]
    public bool $fills = false;

    #[ORM\Version]
    #[ORM\Column(type: Types::INTEGER)]
    public int $version = 1;

    /**
     * @param string      $id       as `Core\Menu\Bay` has it
     * @param int         $position in the order of the frame
     * @param string|null $beside   id of the page group beside whose pages it is
     */
    public function __construct(
        #[ORM\Id]
        #[ORM\Column(type: Types::TEXT)]
        public readonly string $id,
        #[ORM\Column]
        public int $position = 0,
        #[ORM\Column(type: Types::GUID, nullable: true)]
        public readonly ?string $beside = null,
        #[ORM\Column(type: Types::GUID, nullable: true)]
        public ?string $menuId = null,
        #[ORM\Column(type: Types::TEXT)]
        public string $heading = '',
    ) {
    }
}

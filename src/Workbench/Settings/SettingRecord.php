<?php

declare(strict_types=1);

namespace Lantern\Workbench\Settings;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** One setting of the shop on the workbench. */
#[ORM\Entity]
#[ORM\Table(name: 'setting')]
class SettingRecord
{
    #[ORM\Version]
    #[ORM\Column(type: Types::INTEGER)]
    public int $version = 1;

    public function __construct(
        #[ORM\Id]
        #[ORM\Column(type: Types::TEXT)]
        public readonly string $id,
        #[ORM\Column(type: Types::JSON, options: ['jsonb' => true])]
        public string $value,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Workbench\Words;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** The words of a place, as HTML that was cleaned when it was stored. Has the id of its place. */
#[ORM\Entity]
#[ORM\Table(name: 'words')]
class WordsRecord
{
    public function __construct(
        #[ORM\Id]
        #[ORM\Column(type: Types::GUID)]
        public readonly string $id,
        #[ORM\Column(type: Types::TEXT)]
        public string $html,
    ) {
    }
}

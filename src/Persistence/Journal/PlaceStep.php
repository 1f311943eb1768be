<?php

declare(strict_types=1);

namespace Lantern\Persistence\Journal;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** One step that changed many places at once, or made them, with what is needed to take it back. */
#[ORM\Entity]
#[ORM\Table(name: 'place_step', schema: 'journal')]
class PlaceStep
{
    #[ORM\Column]
    public bool $undone = false;

    /** @param array<string, mixed> $before */
    public function __construct(
        #[ORM\Id]
        #[ORM\Column(type: Types::GUID)]
        public readonly string $id,
        #[ORM\Column(type: Types::GUID)]
        public readonly string $personId,
        #[ORM\Column(type: Types::TEXT)]
        public readonly string $sentence,
        #[ORM\Column(type: Types::JSON, options: ['jsonb' => true])]
        public readonly array $before,
    ) {
    }
}

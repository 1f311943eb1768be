<?php

declare(strict_types=1);

namespace Lantern\Persistence\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Lantern\Core\Redirect\RedirectStatus;

/** A redirect on the workbench. */
#[ORM\Entity]
#[ORM\Table(name: 'redirect')]
class RedirectRecord
{
    #[ORM\Column(type: Types::GUID, nullable: true)]
    public ?string $goalPlaceId = null;

    #[ORM\Column(type: Types::TEXT, nullable: true)]
    public ?string $goalAddress = null;

    #[ORM\Column(type: Types::TEXT)]
    public string $goalQuery = '';

    #[ORM\Column(type: Types::TEXT, nullable: true)]
    public ?string $goalOutside = null;

    #[ORM\Column(type: Types::DATETIMETZ_IMMUTABLE, nullable: true)]
    public ?\DateTimeImmutable $until = null;

    #[ORM\Column(type: Types::TEXT)]
    public string $note = '';

    #[ORM\Column(type: Types::DATETIMETZ_IMMUTABLE)]
    public \DateTimeImmutable $createdAt;

    /** @param string $origin where it came from: person, address-change or file */
    public function __construct(
        #[ORM\Id]
        #[ORM\Column(type: Types::GUID)]
        public readonly string $id,
        #[ORM\Column(type: Types::TEXT)]
        public string $source,
        #[ORM\Column]
        public bool $isPrefix,
        #[ORM\Column(type: Types::INTEGER, enumType: RedirectStatus::class)]
        public RedirectStatus $status,
        #[ORM\Column(type: Types::TEXT)]
        public string $origin = 'person',
    ) {
        $this->createdAt = new \DateTimeImmutable();
    }
}

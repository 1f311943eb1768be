<?php

declare(strict_types=1);

namespace Lantern\Workbench\Places;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Place\Serving;

/** A place on the workbench, as it is edited. */
#[ORM\Entity]
#[ORM\Table(name: 'place')]
class PlaceRecord
{
    #[ORM\Column(name: 'summary', type: Types::TEXT)]
    public string $summary = '';

    #[ORM\Column(type: Types::TEXT, nullable: true)]
    public ?string $picture = null;

    #[ORM\Column(type: Types::GUID, nullable: true)]
    public ?string $parentId = null;

    #[ORM\Column]
    public int $position = 0;

    #[ORM\Column(type: Types::TEXT, enumType: Light::class)]
    public Light $light = Light::Open;

    #[ORM\Column(type: Types::DATETIMETZ_IMMUTABLE, nullable: true)]
    public ?\DateTimeImmutable $opensOn = null;

    #[ORM\Column(type: Types::DATETIMETZ_IMMUTABLE, nullable: true)]
    public ?\DateTimeImmutable $closesOn = null;

    #[ORM\Column(type: Types::TEXT, enumType: Audience::class)]
    public Audience $audience = Audience::Everyone;

    #[ORM\Column(type: Types::TEXT, enumType: ClosedAnswer::class)]
    public ClosedAnswer $closedAnswer = ClosedAnswer::NotFound;

    #[ORM\Column(type: Types::GUID, nullable: true)]
    public ?string $closedTo = null;

    #[ORM\Column]
    public bool $listed = true;

    #[ORM\Column(type: Types::TEXT)]
    public string $listingTitle = '';

    #[ORM\Column(type: Types::TEXT)]
    public string $listingDescription = '';

    /** @var array{by: string, tag?: string}|null how a collection fills itself; null: by hand, or no collection */
    #[ORM\Column(type: Types::JSON, nullable: true, options: ['jsonb' => true])]
    public ?array $rule = null;

    /** @var array{stored: string, type: string, size: int}|null of a file: its name below the files' folder, its media type, its bytes */
    #[ORM\Column(type: Types::JSON, nullable: true, options: ['jsonb' => true])]
    public ?array $file = null;

    #[ORM\Column(type: Types::TEXT, enumType: Serving::class)]
    public Serving $serving = Serving::Shown;

    #[ORM\Column(type: Types::TEXT)]
    public string $downloadName = '';

    /** Which starting text a policy was made from; empty where from none. */
    #[ORM\Column(type: Types::TEXT)]
    public string $purpose = '';

    /** Of its listing, as `Filters` keeps them; empty: those of all listings. */
    #[ORM\Column(type: Types::TEXT)]
    public string $filters = '';

    #[ORM\Column(type: Types::DATE_IMMUTABLE, nullable: true)]
    public ?\DateTimeImmutable $publishedOn = null;

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
        #[ORM\Column(type: Types::TEXT, enumType: PlaceKind::class)]
        public readonly PlaceKind $kind,
        #[ORM\Column(type: Types::TEXT)]
        public string $title,
        #[ORM\Column(type: Types::TEXT)]
        public string $address,
    ) {
        $this->changedAt = new \DateTimeImmutable();
    }
}

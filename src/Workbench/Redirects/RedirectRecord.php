<?php

declare(strict_types=1);

namespace Lantern\Workbench\Redirects;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use Lantern\Core\Address\Address;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;

/** A redirect on the workbench, as it is edited. */
#[ORM\Entity]
#[ORM\Table(name: 'redirect')]
class RedirectRecord
{
    #[ORM\Column(type: Types::TEXT)]
    private string $source;

    #[ORM\Column]
    private bool $isPrefix;

    #[ORM\Column(type: Types::GUID, nullable: true)]
    private ?string $goalPlaceId;

    #[ORM\Column(type: Types::TEXT, nullable: true)]
    private ?string $goalAddress;

    #[ORM\Column(type: Types::TEXT)]
    private string $goalQuery;

    #[ORM\Column(type: Types::TEXT, nullable: true)]
    private ?string $goalOutside;

    #[ORM\Column(enumType: RedirectStatus::class)]
    private RedirectStatus $status;

    #[ORM\Column(type: Types::DATETIMETZ_IMMUTABLE, nullable: true)]
    private ?\DateTimeImmutable $until;

    #[ORM\Version]
    #[ORM\Column(type: Types::INTEGER)]
    public int $version = 1;

    /** @param string $origin person, address-change or file */
    public function __construct(
        #[ORM\Id]
        #[ORM\Column(type: Types::GUID)]
        public readonly string $id,
        Rule $rule,
        #[ORM\Column(type: Types::TEXT)]
        public readonly string $origin,
        #[ORM\Column(type: Types::DATETIMETZ_IMMUTABLE)]
        public \DateTimeImmutable $createdAt,
        #[ORM\Column(type: Types::TEXT)]
        public string $note = '',
    ) {
        $this->follow($rule);
    }

    public function rule(): Rule
    {
        $goal = match (true) {
            null !== $this->goalPlaceId => Goal::place($this->goalPlaceId),
            null !== $this->goalAddress => Goal::address(Address::fromNormal($this->goalAddress), $this->goalQuery),
            null !== $this->goalOutside => Goal::outside($this->goalOutside),
            default => Goal::nowhere(),
        };

        return new Rule($this->id, Address::fromNormal($this->source), $this->isPrefix, $goal, $this->status, $this->until);
    }

    /** Leads as this rule does from here on; its id stays. */
    public function follow(Rule $rule): void
    {
        $this->source = $rule->source->path;
        $this->isPrefix = $rule->prefix;
        $this->goalPlaceId = $rule->goal->placeId;
        $this->goalAddress = $rule->goal->address?->path;
        $this->goalQuery = $rule->goal->query;
        $this->goalOutside = $rule->goal->outside;
        $this->status = $rule->status;
        $this->until = $rule->until;
    }
}

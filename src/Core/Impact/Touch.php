<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** One thing that a change reaches. `TouchKind` says which parts are used; `TouchWords` makes the sentence. */
final readonly class Touch
{
    /**
     * @param list<string>            $things       titles, labels, addresses or names
     * @param string                  $at           the menu, or the address, where it happens
     * @param list<string>            $also         outside mentions of an old address
     * @param \DateTimeImmutable|null $moment       in the shop's time zone
     * @param bool                    $breaks       whether something that works now would not work any more
     * @param bool                    $forCustomers whether only customers notice
     */
    public function __construct(
        public TouchKind $kind,
        public array $things = [],
        public string $at = '',
        public ?VisitorOutcome $arrival = null,
        public int $count = 0,
        public array $also = [],
        public ?\DateTimeImmutable $moment = null,
        public ?PlaceVisibility $seen = null,
        public ?PlaceVisibility $seenToday = null,
        public bool $breaks = false,
        public bool $forCustomers = false,
    ) {
    }

    public function forCustomers(): self
    {
        return new self(
            $this->kind,
            $this->things,
            $this->at,
            $this->arrival,
            $this->count,
            $this->also,
            $this->moment,
            $this->seen,
            $this->seenToday,
            $this->breaks,
            true,
        );
    }

    /** Whether the same happens to the same, whoever notices. */
    public function equals(self $other): bool
    {
        return $this->kind === $other->kind
            && $this->things === $other->things
            && $this->at === $other->at
            && $this->count === $other->count
            && $this->also === $other->also
            && $this->breaks === $other->breaks && $this->seen === $other->seen && $this->seenToday === $other->seenToday
            && (null === $this->arrival ? null === $other->arrival : null !== $other->arrival && $this->arrival->equals($other->arrival))
            && ($this->moment?->getTimestamp() === $other->moment?->getTimestamp());
    }
}

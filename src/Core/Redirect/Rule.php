<?php

declare(strict_types=1);

namespace Lantern\Core\Redirect;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\ReservedAddresses;
use Lantern\Core\Moment;
use Lantern\Core\Refused;

/** One redirect: a source, what it leads to, and how. A prefix rule stands for everything below its source. */
final readonly class Rule
{
    /** @var \DateTimeImmutable|null the first moment at which it leads nowhere any more */
    public ?\DateTimeImmutable $until;

    /** @param string $id UUIDv7; empty for one that is not stored yet */
    public function __construct(
        public string $id,
        public Address $source,
        public bool $prefix,
        public Goal $goal,
        public RedirectStatus $status,
        ?\DateTimeImmutable $until = null,
    ) {
        $this->until = null === $until ? null : Moment::kept($until, 'until');
        if (RedirectStatus::Gone === $status && !$goal->isNowhere()) {
            throw new Refused('target', 'What is gone leads nowhere. Take the target out, or choose another status.');
        }
        if (RedirectStatus::Gone !== $status && $goal->isNowhere()) {
            throw new Refused(
                'target',
                'A redirect needs somewhere to lead. Choose a place or type an address, or answer with gone (410).',
            );
        }
        $reserved = ReservedAddresses::reason($source);
        if (null !== $reserved) {
            throw new Refused('source', \sprintf('%s cannot be redirected: %s.', $source, $reserved));
        }
        if ($prefix && null !== $goal->address && ($goal->address->equals($source) || $goal->address->isBelow($source))) {
            throw new LoopFound([$this->sourceWords(), $this->goalWords(), $this->sourceWords()]);
        }
        if (!$prefix && true === $goal->address?->equals($source)) {
            throw new LoopFound([$source->path, $source->path]);
        }
    }

    public function withId(string $id): self
    {
        return new self($id, $this->source, $this->prefix, $this->goal, $this->status, $this->until);
    }

    /** The same source leading to another goal; to none, it is gone. */
    public function leadingTo(Goal $goal): self
    {
        return new self(
            $this->id,
            $this->source,
            $this->prefix,
            $goal,
            $goal->isNowhere() ? RedirectStatus::Gone : $this->status,
            $this->until,
        );
    }

    /** One that was only thought out has no id yet. */
    public function isStored(): bool
    {
        return '' !== $this->id;
    }

    public function isInForce(\DateTimeImmutable $moment): bool
    {
        return null === $this->until || $moment < $this->until;
    }

    public function matches(Address $address): bool
    {
        return $this->prefix ? $address->isBelow($this->source) : $address->equals($this->source);
    }

    /** Where this rule leads from an address that it matches, as far as it leads to an address of this shop. */
    public function next(Address $from): ?Address
    {
        if (null === $this->goal->address) {
            return null;
        }

        return $this->prefix ? $from->rebased($this->source, $this->goal->address) : $this->goal->address;
    }

    /** `/old`, or `/old/*` for a prefix rule. */
    public function sourceWords(): string
    {
        return $this->prefix ? rtrim($this->source->path, '/').'/*' : $this->source->path;
    }

    /** Where it leads as a person would type it, but for a place, which has an address of its own; empty for what is gone. */
    public function goalWords(): string
    {
        $address = $this->goal->address;
        if (null === $address) {
            return $this->goal->outside ?? '';
        }

        return ($this->prefix ? rtrim($address->path, '/').'/*' : $address->path)
            .('' === $this->goal->query ? '' : "?{$this->goal->query}");
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Refused;

/** The span between "opens on" and "closes on"; either end may be missing. The first moment is in it, the last is not. */
final readonly class Opening
{
    public function __construct(
        public ?\DateTimeImmutable $from = null,
        public ?\DateTimeImmutable $until = null,
    ) {
        if (null !== $from && null !== $until && $until <= $from) {
            throw new Refused('closesOn', 'The end comes before the beginning. Choose a later end, or leave it empty.');
        }
    }

    public static function always(): self
    {
        return new self();
    }

    public function isAlways(): bool
    {
        return null === $this->from && null === $this->until;
    }

    public function contains(\DateTimeImmutable $moment): bool
    {
        return (null === $this->from || $moment >= $this->from)
            && (null === $this->until || $moment < $this->until);
    }

    /** The first later moment at which `contains` could answer otherwise, or null where there is none. */
    public function nextChange(\DateTimeImmutable $moment): ?\DateTimeImmutable
    {
        foreach ([$this->from, $this->until] as $edge) {
            if (null !== $edge && $edge > $moment) {
                return $edge;
            }
        }

        return null;
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Moment;
use Lantern\Core\Refused;

/** The span between "opens on" and "closes on"; either end may be missing. The first moment is in it, the last is not. */
final readonly class Opening
{
    public ?\DateTimeImmutable $from;
    public ?\DateTimeImmutable $until;

    /** @throws Refused where the end comes before the beginning, or a moment lies beyond what is kept */
    public function __construct(?\DateTimeImmutable $from = null, ?\DateTimeImmutable $until = null)
    {
        $this->from = null === $from ? null : Moment::kept($from, 'opensOn');
        $this->until = null === $until ? null : Moment::kept($until, 'closesOn');
        if (null !== $this->from && null !== $this->until && $this->until <= $this->from) {
            throw new Refused('closesOn', 'The end comes before the beginning. Choose a later end, or leave it empty.');
        }
    }

    public static function always(): self
    {
        return new self();
    }

    public function equals(self $other): bool
    {
        return Moment::same($this->from, $other->from) && Moment::same($this->until, $other->until);
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

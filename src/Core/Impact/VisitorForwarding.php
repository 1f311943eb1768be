<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Place\Place;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Refused;

/** Where the visitors of a place go that is no more: to another place, or nowhere, and are told that it is gone or not. */
final readonly class VisitorForwarding
{
    private function __construct(public ?Place $place, public bool $gone)
    {
    }

    public static function to(Place $place): self
    {
        return new self($place, false);
    }

    /** 410: search engines forget the address soon. */
    public static function gone(): self
    {
        return new self(null, true);
    }

    /** 404: as if nothing had ever been there. */
    public static function notFound(): self
    {
        return new self(null, false);
    }

    public function isNotFound(): bool
    {
        return null === $this->place && !$this->gone;
    }

    /** What a redirect leads to, for all but “not found”, which needs none. */
    public function goal(): Goal
    {
        return null === $this->place ? Goal::nowhere() : Goal::place($this->place->id);
    }

    /** @throws Refused where it would lead to the place itself, or to one that does not open */
    public function refuseWhatCannotBe(Place $leaving, \DateTimeImmutable $moment): void
    {
        if ($this->place?->id === $leaving->id) {
            throw new Refused('to', 'Its visitors cannot be led to itself. Choose another place.');
        }
        if (null !== $this->place && !$this->place->opensAt($moment)) {
            throw new Refused(
                'to',
                \sprintf('“%s” does not open, so visitors would find nothing there. Choose a place that opens.', $this->place->title),
            );
        }
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Answer;

use Lantern\Core\Address\Address;
use Lantern\Core\Place\Place;

/** What the storefront answers to a request, and how it came to it. */
final readonly class Answer
{
    private const FOR_GOOD_KEPT = 3600;
    private const GONE_KEPT = 300;

    /**
     * @param int          $status   HTTP status: 200, 301, 302, 307, 308, 400, 403, 404 or 410
     * @param Address|null $address  normal form of what was asked for; null where it has none
     * @param string|null  $location for a redirect: where the one hop leads, encoded, with its query
     * @param list<Step>   $trail
     * @param Place|null   $place    where the trail ends, if a place stands there, open or not
     * @param \DateTimeImmutable|null $changesAt the first later moment at which a date alone could change this answer
     */
    public function __construct(
        public int $status,
        public ?Address $address,
        public ?string $location,
        public array $trail,
        public ?Place $place,
        public ?\DateTimeImmutable $changesAt = null,
    ) {
    }

    /** Whether redirects, or closed places, lead round to where they began. */
    public function isCircle(): bool
    {
        return [] !== $this->trail && StepReason::Circle === $this->trail[\count($this->trail) - 1]->why;
    }

    public function isRedirect(): bool
    {
        return null !== $this->location;
    }

    /** Whether whoever asks gets to something: a page, one that is not for everybody, or where a redirect leads. */
    public function arrives(): bool
    {
        return $this->isRedirect() || 200 === $this->status || 403 === $this->status;
    }

    /** How many redirects, and closed places that lead elsewhere, a visitor is led over; all of them in one hop of the browser. */
    public function hops(): int
    {
        return \count(array_filter(
            $this->trail,
            static fn (Step $step): bool => StepReason::Redirect === $step->why || StepReason::ClosedElsewhere === $step->why,
        ));
    }

    /** The addresses that it goes by, for people to read. */
    public function trailWords(): string
    {
        return implode(' → ', array_map(static fn (Step $step): string => $step->from, $this->trail));
    }

    /**
     * How long a browser, or a cache on the way, may give this answer without asking again, in seconds
     * (RFC 9111, 4.2). What is for good is kept for an hour, not for ever: an address may be taken back
     * some day. No answer is kept past a date that could change it.
     */
    public function keepFor(\DateTimeImmutable $moment): int
    {
        $most = self::mostKept($this->status);

        return null === $this->changesAt ? $most : max(0, min($most, $this->changesAt->getTimestamp() - $moment->getTimestamp()));
    }

    /** How long answers of a status may be kept where no date could change them, in seconds. */
    public static function mostKept(int $status): int
    {
        return match ($status) {
            301, 308 => self::FOR_GOOD_KEPT,
            410 => self::GONE_KEPT,
            default => 0,
        };
    }

    /** A visit that led nowhere and that nobody meant to end: it is worth counting. */
    public function isMissed(): bool
    {
        return 404 === $this->status;
    }

    /** @return list<string> sources of the redirects for all below them by which the trail goes */
    public function prefixes(): array
    {
        return array_values(array_filter(array_map(static fn (Step $step): ?string => $step->prefix, $this->trail)));
    }
}

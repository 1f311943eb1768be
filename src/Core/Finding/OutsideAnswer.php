<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/** What another web site answered, the times that it was asked. */
final readonly class OutsideAnswer
{
    /** Not to be reached counts when it was so on this many days. */
    public const DAYS_AWAY = 3;

    /**
     * @param int                     $status   HTTP status of the last answer; 0 where none came
     * @param string|null             $moved    where a redirect for good leads, at its end
     * @param bool                    $secure   whether the same answers on https, where it was asked on http
     * @param int                     $daysAway on how many days in a row nothing was to be reached
     * @param string                  $why      what went wrong, in words; empty where nothing did
     */
    public function __construct(
        public int $status,
        public ?string $moved = null,
        public bool $secure = false,
        public int $daysAway = 0,
        public string $why = '',
        public ?\DateTimeImmutable $askedAt = null,
    ) {
    }

    /** Null where the link is in order, or where it is too early to say. */
    public function kind(): ?FindingKind
    {
        return match (true) {
            404 === $this->status, 410 === $this->status => FindingKind::OutsideBroken,
            0 === $this->status || 429 === $this->status || $this->status >= 500 => $this->daysAway >= self::DAYS_AWAY
                ? FindingKind::OutsideBroken
                : null,
            null !== $this->moved => FindingKind::OutsideMoved,
            $this->secure => FindingKind::OutsideSecure,
            default => null,
        };
    }

    /** What it answered, such as “answers that it is not found (404)”. */
    public function words(): string
    {
        return match (true) {
            404 === $this->status => 'answers that it is not found (404)',
            410 === $this->status => 'answers that it is gone (410)',
            429 === $this->status => \sprintf('has asked to be left alone (429) on %d days', $this->daysAway),
            $this->status >= 500 => \sprintf('has answered with an error (%d) on %d days', $this->status, $this->daysAway),
            0 === $this->status => \sprintf(
                'was not to be reached on %d days%s',
                $this->daysAway,
                '' === $this->why ? '' : ": {$this->why}",
            ),
            default => 'answers',
        };
    }
}

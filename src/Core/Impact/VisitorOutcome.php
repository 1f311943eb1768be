<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** What becomes of a visitor, and where one who is led on arrives. */
final readonly class VisitorOutcome
{
    /** @param string|null $where address or title of the place that visitors are led to; null where it has no name */
    public function __construct(public VisitorOutcomeKind $kind, public ?string $where = null)
    {
    }

    public static function after(VisitorForwarding $onward): self
    {
        return match (true) {
            null !== $onward->place => new self(VisitorOutcomeKind::IsLedForGood, $onward->place->title),
            $onward->gone => new self(VisitorOutcomeKind::FindsItGone),
            default => new self(VisitorOutcomeKind::FindsNothing),
        };
    }

    public function breaks(): bool
    {
        return match ($this->kind) {
            VisitorOutcomeKind::IsAskedToSignIn, VisitorOutcomeKind::ForGuestsOnly, VisitorOutcomeKind::FindsItGone,
            VisitorOutcomeKind::FindsNothing => true,
            default => false,
        };
    }

    public function equals(self $other): bool
    {
        return $this->kind === $other->kind && $this->where === $other->where;
    }
}

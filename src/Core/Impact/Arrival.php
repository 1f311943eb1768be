<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

/** What becomes of a visitor, and where one who is led on arrives. */
final readonly class Arrival
{
    /** @param string|null $where address or title of the place that visitors are led to; null where it has no name */
    public function __construct(public ArrivalKind $kind, public ?string $where = null)
    {
    }

    public static function after(Onward $onward): self
    {
        return match (true) {
            null !== $onward->place => new self(ArrivalKind::IsLedForGood, $onward->place->title),
            $onward->gone => new self(ArrivalKind::FindsItGone),
            default => new self(ArrivalKind::FindsNothing),
        };
    }

    public function breaks(): bool
    {
        return match ($this->kind) {
            ArrivalKind::IsAskedToSignIn, ArrivalKind::ForGuestsOnly, ArrivalKind::FindsItGone, ArrivalKind::FindsNothing => true,
            default => false,
        };
    }

    public function equals(self $other): bool
    {
        return $this->kind === $other->kind && $this->where === $other->where;
    }
}

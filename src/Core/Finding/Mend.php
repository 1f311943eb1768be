<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/** One way to put a finding right, with what that touches. */
final readonly class Mend
{
    /**
     * @param string $says    such as “Make it a reference”
     * @param string $touches what becomes different by it, in a clause; empty: nothing but the thing itself
     */
    public function __construct(public MendKind $kind, public string $says, public string $touches = '')
    {
    }

    /** What it is called when many findings of a kind are mended so at once; null where each has to be looked at. */
    public function together(): ?string
    {
        return match (true) {
            MendAsks::Nothing !== $this->kind->asks(), MendKind::OpenPlace === $this->kind, MendKind::NearestPart === $this->kind => null,
            MendKind::Straighten === $this->kind => 'Lead each straight to its end',
            MendKind::NearestColour === $this->kind => 'Take the nearest colours that are read',
            default => $this->says,
        };
    }
}

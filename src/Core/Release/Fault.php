<?php

declare(strict_types=1);

namespace Lantern\Core\Release;

/** One thing that is not in order. */
final readonly class Fault
{
    /**
     * @param string       $subject the title, label or address of what is at fault
     * @param list<string> $others  what else belongs to it: the other place, the steps of a circle, the menu, the blanks
     */
    public function __construct(public FaultKind $kind, public string $subject, public array $others = [])
    {
    }

    /** Said to whoever wanted the state, with the way out. */
    public function words(): string
    {
        $others = implode(', ', $this->others);

        return match ($this->kind) {
            FaultKind::AddressTwice => \sprintf(
                '%s is the address of %s. One address leads to one place: change one of them first.',
                $this->subject,
                implode(' and of ', array_map(static fn (string $title): string => "“{$title}”", $this->others)),
            ),
            FaultKind::Circle => \sprintf(
                'Visitors of %s would go round in a circle: %s. Change one of these first.',
                $this->subject,
                implode(' → ', $this->others),
            ),
            FaultKind::BelowItself => \sprintf(
                '“%s” would stand below itself, by way of “%s”. Put it somewhere else first.',
                $this->subject,
                implode('”, “', $this->others),
            ),
            FaultKind::EntryWithoutPlace => "“{$this->subject}” in “{$others}” leads to a place that is no longer there. Choose another "
                .'place for it, or take it out.',
            FaultKind::ClosedToNothing => "“{$this->subject}” is closed, and leads to a place that is no longer there. Choose another "
                .'answer for it.',
            FaultKind::EmptyBlank => \sprintf(
                '“%1$s” still has %2$s: %3$s. Fill %4$s in the shop’s details, or take %4$s out of the text.',
                $this->subject,
                1 === \count($this->others) ? 'an empty blank' : \count($this->others).' empty blanks',
                $others,
                1 === \count($this->others) ? 'it' : 'them',
            ),
        };
    }
}

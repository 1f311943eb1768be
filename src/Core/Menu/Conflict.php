<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Two people wanted different things of one entry. What was made of it stands; the other wish is kept as a move until somebody chooses. */
final readonly class Conflict
{
    /** @param bool $mine whether the move is what the later person wanted; else it is what the earlier one did */
    public function __construct(public string $entryId, public Move $otherwise, public bool $mine)
    {
    }

    /** What the other wish was: "calls it “Sale”, and leads it elsewhere". */
    public function words(?Entry $stands): string
    {
        if (!$this->otherwise instanceof Rewrite || null === $stands) {
            return $this->otherwise instanceof Relocate ? 'puts it in another position' : 'takes it out of the menu';
        }
        $wish = $this->otherwise->entry;

        return implode(', ', array_filter([
            $wish->label === $stands->label
                ? null
                : (null === $wish->label ? 'lets its label follow the place' : "calls it “{$wish->label}”"),
            EntryPart::Target->isSame($wish, $stands) ? null : 'leads it somewhere else',
            $wish->enabled === $stands->enabled ? null : ($wish->enabled ? 'switches it on' : 'switches it off'),
            $wish->audience === $stands->audience ? null : 'shows it to '.$wish->audience->value,
            EntryPart::Opening->isSame($wish, $stands) ? null : 'gives it other dates',
            $wish->newTab === $stands->newTab ? null : ($wish->newTab ? 'opens it in a new tab' : 'opens it in the same tab'),
            $wish->note === $stands->note ? null : 'notes “'.$wish->note.'”',
            EntryPart::Filling->isSame($wish, $stands) ? null : 'fills it otherwise',
        ])) ?: 'wants what it is now';
    }
}

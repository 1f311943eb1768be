<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** What becomes of a menu when a place is removed: entries that lead there go, and one with others below it becomes a heading. */
final readonly class WithoutPlace
{
    /**
     * @param string      $title     of the place, for headings without words of their own
     * @param string|null $insteadId the place to which the pieces of pages lead from now on, as links in texts do
     */
    public function __construct(private string $placeId, private string $title, private ?string $insteadId = null)
    {
    }

    /** Null where the menu has nothing to do with the place. */
    public function move(Tree $before): ?Move
    {
        $after = $before->with($this->without($before->entries));

        return $after->equals($before) ? null : Difference::between($before, $after);
    }

    /**
     * @param list<Entry> $entries
     *
     * @return list<Entry>
     */
    private function without(array $entries): array
    {
        $kept = [];
        foreach ($entries as $entry) {
            $children = $this->without($entry->children);
            $filling = $entry->filling?->placeId === $this->placeId ? null : $entry->filling;
            $leads = $entry->target instanceof PlaceTarget && $entry->target->placeId === $this->placeId;
            $instead = $leads && null !== $this->insteadId && true === $entry->content?->canLeadElsewhere()
                ? new PlaceTarget($this->insteadId)
                : null;
            if (
                $leads
                && null === $instead
                && (null === $entry->content ? [] === $children && null === $filling : $entry->content->needsTarget())
            ) {
                continue;
            }
            if (!$leads && $filling === $entry->filling && $children === $entry->children) {
                $kept[] = $entry;
                continue;
            }
            // What it was called after is gone: it keeps its words before it becomes a heading.
            $named = $leads && null === $instead && (null === $entry->content || $entry->content->needsLabel())
                ? $entry->withLabel($entry->label ?? $this->title)
                : $entry;
            $kept[] = ($leads ? $named->withTarget($instead ?? new Heading()) : $named)->withChildren($children)->withFilling($filling);
        }

        return $kept;
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** What becomes of a menu when a place is removed: entries that lead there go, and one with others below it becomes a heading. */
final readonly class WithoutPlace
{
    /** @param string $title of the place, for headings without words of their own */
    public function __construct(private string $placeId, private string $title)
    {
    }

    /** Null where the menu has nothing to do with the place. */
    public function move(Tree $before): ?Move
    {
        $after = new Tree($this->without($before->entries));

        return $after == $before ? null : Difference::between($before, $after);
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
            if ($leads && [] === $children && null === $filling) {
                continue;
            }
            $kept[] = $leads || $filling !== $entry->filling || $children !== $entry->children
                ? new Entry($entry->id, $leads ? new Heading() : $entry->target, $leads ? $entry->label ?? $this->title : $entry->label, $children, $entry->enabled, $entry->audience, $entry->opening, $entry->newTab, $entry->note, $filling)
                : $entry;
        }

        return $kept;
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** The tree that a visitor gets, and what was left out of it on the way. */
final readonly class ResolvedMenu
{
    /**
     * @param list<ResolvedEntry>     $entries
     * @param list<LeftOut>           $leftOut
     * @param \DateTimeImmutable|null $nextChange the first later moment at which a date could change this answer
     */
    public function __construct(
        public array $entries,
        public array $leftOut,
        public ?\DateTimeImmutable $nextChange,
    ) {
    }

    /** @return array<string, ResolvedEntry> every entry, in the order it is read */
    public function byId(): array
    {
        $all = [];
        $collect = static function (array $entries) use (&$collect, &$all): void {
            /** @var list<ResolvedEntry> $entries */
            foreach ($entries as $entry) {
                $all[$entry->id] = $entry;
                $collect($entry->children);
            }
        };
        $collect($this->entries);

        return $all;
    }

    /**
     * The entries that lead to the given place, and those above them, by their ids: what is marked
     * with `aria-current` (WAI-ARIA 1.2).
     *
     * @return array<string, 'page'|'true'>
     */
    public function current(string $placeId): array
    {
        return $this->marks()[$placeId] ?? [];
    }

    /** @return array<string, array<string, 'page'|'true'>> the same for every place that an entry leads to, by its id */
    public function marks(): array
    {
        $marks = [];
        self::mark($this->entries, [], $marks);

        return $marks;
    }

    /**
     * @param list<ResolvedEntry>                         $entries
     * @param list<string>                                $above   ids of the entries above
     * @param array<string, array<string, 'page'|'true'>> $marks
     */
    private static function mark(array $entries, array $above, array &$marks): void
    {
        foreach ($entries as $entry) {
            if (null !== $entry->placeId) {
                $marks[$entry->placeId][$entry->id] = 'page';
                foreach ($above as $id) {
                    $marks[$entry->placeId][$id] ??= 'true';
                }
            }
            self::mark($entry->children, [...$above, $entry->id], $marks);
        }
    }
}

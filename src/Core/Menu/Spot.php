<?php

declare(strict_types=1);

namespace Lantern\Core\Menu;

/** Where a new entry can go in: at the end of a menu, or below one of its entries. */
final readonly class Spot
{
    /**
     * @param list<string> $trail labels from the menu's name down
     * @param Position     $at    behind all that stands there
     */
    private function __construct(public array $trail, public Position $at)
    {
    }

    /**
     * @param array<string, string> $titles of places, by id, for entries without a label of their own
     *
     * @return list<self> the menu itself first, then in its order
     */
    public static function in(string $menu, Tree $tree, array $titles): array
    {
        return [new self([$menu], new Position(null, \count($tree->entries))), ...self::below($tree->entries, [$menu], $titles)];
    }

    /** Whether the letters of each word stand somewhere in the trail, the last word in its last part. */
    public function has(string $words): bool
    {
        $typed = preg_split('/[\s›>\/]+/u', mb_strtolower($words), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        $trail = mb_strtolower(implode(' ', $this->trail));
        $last = mb_strtolower($this->trail[\count($this->trail) - 1] ?? '');

        return [] === $typed
            || str_contains($last, $typed[\count($typed) - 1])
            && [] === array_filter($typed, static fn (string $word): bool => !str_contains($trail, $word));
    }

    /** As it is written in the interface: `Header › Threads`. */
    public function words(): string
    {
        return implode(' › ', $this->trail);
    }

    /**
     * @param list<Entry>           $entries
     * @param list<string>          $trail
     * @param array<string, string> $titles
     *
     * @return list<self>
     */
    private static function below(array $entries, array $trail, array $titles): array
    {
        // The trail begins with the menu itself, so it is as long as the level of these entries.
        if (\count($trail) >= Tree::MAX_DEPTH) {
            return [];
        }
        $spots = [];
        foreach ($entries as $entry) {
            $label = $entry->label ?? ($entry->target instanceof PlaceTarget ? $titles[$entry->target->placeId] ?? '' : '');
            $further = [...$trail, $label];
            array_push(
                $spots,
                new self($further, new Position($entry->id, \count($entry->children))),
                ...self::below($entry->children, $further, $titles),
            );
        }

        return $spots;
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Menu\ContactTarget;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Target;
use Lantern\Core\Outline\OutlineLine;
use Lantern\Core\Place\Place;

/** Writes a menu of the workbench as lines that stand on their own: with addresses for places. */
final readonly class OutlineWriter
{
    public function __construct(private Copies $copies)
    {
    }

    /**
     * @param bool $titles whether a label that follows its place is written out
     *
     * @return list<OutlineLine>
     */
    public function lines(string $menuId, bool $titles): array
    {
        $tree = $this->copies->workbench->menus->tree($menuId);
        $places = $this->copies->workbench->places->byIds($tree->placeIds());
        $lines = [];
        $this->collect($tree->entries, 1, $places, $titles, $lines);

        return $lines;
    }

    /**
     * @param list<Entry>          $entries
     * @param array<string, Place> $places
     * @param list<OutlineLine>    $lines
     */
    private function collect(array $entries, int $level, array $places, bool $titles, array &$lines): void
    {
        foreach ($entries as $entry) {
            $place = $entry->target instanceof PlaceTarget ? $places[$entry->target->placeId] ?? null : null;
            $lines[] = new OutlineLine(
                \count($lines) + 1, $level, $entry->label ?? ($titles ? $place->title ?? '' : ''), self::lead($entry->target, $place),
                $entry->enabled, $entry->audience, $entry->opening, $entry->newTab, $entry->note,
                null === $entry->filling ? null : self::filling($entry->filling, $places),
            );
            $this->collect($entry->children, $level + 1, $places, $titles, $lines);
        }
    }

    private static function lead(Target $target, ?Place $place): string
    {
        return match (true) {
            $target instanceof PlaceTarget => null === $place ? '' : $place->address->encoded().$target->suffix(),
            $target instanceof OutsideTarget => $target->url,
            $target instanceof ContactTarget => $target->uri,
            default => '',
        };
    }

    /**
     * @param array<string, Place> $places
     *
     * @return array<string, mixed>
     */
    private static function filling(SelfFilling $filling, array $places): array
    {
        $address = static fn (string $id): ?string => ($places[$id] ?? null)?->address->path;
        $labels = [];
        foreach ($filling->labels as $id => $label) {
            if (null !== $address($id)) {
                $labels[$address($id)] = $label;
            }
        }

        return array_filter([
            'source' => $filling->source->value,
            'of' => null === $filling->placeId ? null : $address($filling->placeId),
            'kind' => $filling->kind?->value,
            'depth' => $filling->depth,
            'most' => $filling->most,
            'order' => $filling->order->value,
            'labels' => [] === $labels ? null : $labels,
            'leftOut' => array_values(array_filter(array_map($address, $filling->leftOut))) ?: null,
        ], static fn (mixed $value): bool => null !== $value);
    }
}

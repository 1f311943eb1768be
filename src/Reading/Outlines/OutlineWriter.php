<?php

declare(strict_types=1);

namespace Lantern\Reading\Outlines;

use Lantern\Core\Menu\ContactTarget;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\SelfFilling;
use Lantern\Core\Menu\Target;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Outline\OutlineLine;
use Lantern\Core\Piece\Piece;
use Lantern\Core\Piece\Text;
use Lantern\Core\Place\Place;
use Lantern\Core\Words\Words;
use Lantern\Interchange\Stored\PieceCodec;
use Lantern\Reading\Copies\Copies;

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
        $workbench = $this->copies->workbench;
        $tree = $workbench->menus->tree($menuId);
        $panels = null === $tree->shape ? $workbench->menus->trees($workbench->layouts->panelsIn($menuId)) : [];
        $ids = [];
        foreach ([$tree, ...array_values($panels)] as $one) {
            $ids = [...$ids, ...$one->placeIds()];
            foreach ($one->all() as $entry) {
                $ids = [...$ids, ...($entry->content instanceof Text ? (new Words($entry->content->html))->placeIds() : [])];
            }
        }
        $places = $workbench->places->byIds(array_values(array_unique($ids)));
        $lines = [];
        $this->collect($tree->entries, 1, $places, $titles, $lines, $panels);

        return $lines;
    }

    /**
     * @param list<Entry>          $entries
     * @param array<string, Place> $places
     * @param list<OutlineLine>    $lines
     * @param array<string, Tree>  $panels  by the entry that they open below
     */
    private function collect(array $entries, int $level, array $places, bool $titles, array &$lines, array $panels = []): void
    {
        foreach ($entries as $entry) {
            $panel = [];
            $this->collect(($panels[$entry->id] ?? null)->entries ?? [], 1, $places, $titles, $panel);
            $place = $entry->target instanceof PlaceTarget ? $places[$entry->target->placeId] ?? null : null;
            $lines[] = new OutlineLine(
                \count($lines) + 1, $level, $entry->label
                    ?? ($titles ? $place->title ?? '' : ''), self::lead($entry->target, $place, $places),
                $entry->enabled, $entry->audience, $entry->opening, $entry->newTab, $entry->note,
                null === $entry->filling ? null : self::filling($entry->filling, $places),
                $entry->content instanceof Piece ? self::piece($entry->content, $places) : null,
                $panel,
            );
            $this->collect($entry->children, $level + 1, $places, $titles, $lines, $panels);
        }
    }

    /**
     * @param array<string, Place> $places
     *
     * @return array<string, mixed>
     */
    private static function piece(Piece $piece, array $places): array
    {
        $values = PieceCodec::encode($piece);
        if ($piece instanceof Text) {
            $values['html'] = preg_replace_callback(
                '/"place:([0-9a-f-]{36})/',
                static fn (array $found): string => '"'.(isset($places[$found[1]]) ? $places[$found[1]]->address->encoded() : $found[0]),
                $piece->html,
            );
        }

        return $values;
    }

    /** @param array<string, Place> $places */
    private static function lead(Target $target, ?Place $place, array $places): string
    {
        return match (true) {
            $target instanceof PlaceTarget => null === $place ? '' : $place->address->encoded().$target->suffix($places),
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

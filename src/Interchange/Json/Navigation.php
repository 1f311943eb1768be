<?php

declare(strict_types=1);

namespace Lantern\Interchange\Json;

use Lantern\Core\Menu\HungMenu;
use Lantern\Core\Menu\LeftOut;
use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Menu\ResolvedMenu;
use Lantern\Core\Piece\ResolvedLayout;
use Lantern\Core\Piece\ResolvedPiece;
use Lantern\Interchange\Stored\PieceCodec;

/** Resolved menus as JSON, for other programs. */
final class Navigation
{
    /**
     * @param array<string, HungMenu>       $frame
     * @param array<string, ResolvedLayout> $panels  by the entry that they open below
     * @param array<string, ResolvedLayout> $columns columns of pieces, by bay
     *
     * @return array{bays: array<string, mixed>}
     */
    public static function of(array $frame, array $panels = [], array $columns = []): array
    {
        return ['bays' => array_map(static fn (HungMenu $hung): array => [
            'heading' => $hung->bay->heading,
            'entries' => self::entries($hung->menu->entries, $panels),
        ] + (isset($columns[$hung->bay->id]) ? ['pieces' => array_map(
            self::piece(...),
            $columns[$hung->bay->id]->pieces[0]->children,
        )] : []), $frame)];
    }

    /** @return array<string, mixed> the tree that a visitor gets, and what was left out of it */
    public static function menu(ResolvedMenu $menu): array
    {
        return [
            'entries' => self::entries($menu->entries),
            'leftOut' => array_map(static fn (LeftOut $left): array => [
                'id' => $left->entry->id,
                'label' => $left->label,
                'reason' => $left->reason->value,
                'words' => $left->reason->words(),
                'asHeading' => $left->asHeading,
            ], $menu->leftOut),
            'nextChange' => $menu->nextChange?->format(\DATE_ATOM),
        ];
    }

    /**
     * @param list<ResolvedEntry>           $entries
     * @param array<string, ResolvedLayout> $panels
     *
     * @return list<array<string, mixed>>
     */
    public static function entries(array $entries, array $panels = []): array
    {
        return array_map(static fn (ResolvedEntry $entry): array => [
            'id' => $entry->id,
            'label' => $entry->label,
            'address' => $entry->href,
            'newTab' => $entry->newTab,
            'entries' => self::entries($entry->children),
        ] + (isset($panels[$entry->id]) ? ['panel' => array_map(self::piece(...), $panels[$entry->id]->pieces)] : []), $entries);
    }

    /** @return array<string, mixed> a piece as a visitor gets it, with all below it */
    private static function piece(ResolvedPiece $piece): array
    {
        return PieceCodec::encode($piece->piece) + array_filter([
            'id' => $piece->id,
            'label' => $piece->label,
            'address' => $piece->href,
            'places' => $piece->placeIds,
            'entries' => self::entries($piece->links),
            'pieces' => array_map(self::piece(...), $piece->children),
        ], static fn (mixed $value): bool => null !== $value && [] !== $value && '' !== $value);
    }
}

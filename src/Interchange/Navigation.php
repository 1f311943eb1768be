<?php

declare(strict_types=1);

namespace Lantern\Interchange;

use Lantern\Core\Menu\LeftOut;
use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Menu\ResolvedMenu;
use Lantern\Persistence\HungMenu;

/** Resolved menus as JSON, for other programs. */
final class Navigation
{
    /**
     * @param array<string, HungMenu> $frame
     *
     * @return array{bays: array<string, mixed>}
     */
    public static function of(array $frame): array
    {
        return ['bays' => array_map(static fn (HungMenu $hung): array => [
            'heading' => $hung->bay->heading,
            'entries' => self::entries($hung->menu->entries),
        ], $frame)];
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
     * @param list<ResolvedEntry> $entries
     *
     * @return list<array<string, mixed>>
     */
    public static function entries(array $entries): array
    {
        return array_map(static fn (ResolvedEntry $entry): array => [
            'id' => $entry->id,
            'label' => $entry->label,
            'address' => $entry->href,
            'newTab' => $entry->newTab,
            'entries' => self::entries($entry->children),
        ], $entries);
    }
}

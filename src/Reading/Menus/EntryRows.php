<?php

declare(strict_types=1);

namespace Lantern\Reading\Menus;

use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Menu\ContactTarget;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\Heading;
use Lantern\Core\Menu\OutsideTarget;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Shape;
use Lantern\Core\Menu\Target;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Piece\Layout;
use Lantern\Core\Piece\Piece;
use Lantern\Core\Place\Audience;
use Lantern\Core\Place\Opening;
use Lantern\Core\Refused;
use Lantern\Interchange\Stored\EntryCodec;
use Lantern\Interchange\Stored\Fields;
use Lantern\Interchange\Stored\PieceCodec;
use Lantern\Reading\Sql\Row;

/** Turns the rows of a menu's entries into a tree, and a tree into rows. */
final class EntryRows
{
    /** @param list<array<string, mixed>> $rows ordered by position */
    public static function toTree(array $rows, ?Shape $shape = null): Tree
    {
        $byParent = [];
        foreach ($rows as $columns) {
            $byParent[(new Row($columns))->text('parent_id')][] = $columns;
        }

        return new Tree(self::children($byParent, ''), $shape);
    }

    /**
     * @return array<string, array<string, mixed>> rows by id
     */
    public static function fromTree(string $menuId, Tree $tree): array
    {
        $rows = [];
        self::collect($menuId, null, $tree->entries, $tree->shape instanceof Layout && $tree->shape->isPage(), $rows);

        return $rows;
    }

    /**
     * @param array<string, list<array<string, mixed>>> $byParent
     *
     * @return list<Entry>
     */
    private static function children(array $byParent, string $parentId): array
    {
        return array_map(static function (array $columns) use ($byParent): Entry {
            $row = new Row($columns);
            $children = self::children($byParent, $row->text('id'));
            try {
                return new Entry(
                    $row->text('id'),
                    self::target($row),
                    $row->textOrNull('label'),
                    $children,
                    $row->bool('enabled'),
                    Audience::from($row->text('audience')),
                    new Opening($row->moment('from_on'), $row->moment('until_on')),
                    $row->bool('new_tab'),
                    $row->text('note'),
                    null === $row->textOrNull('filling') ? null : EntryCodec::filling(Fields::of($row->json('filling'))),
                    null === $row->textOrNull('piece') ? null : PieceCodec::decode(Fields::of($row->json('piece'))),
                );
            } catch (Refused) {
                // One line that breaks a rule, however it came here, must not take the menu with it.
                return new Entry(
                    $row->text('id'),
                    new Heading(),
                    mb_substr($row->textOrNull('label') ?? 'A line that cannot be read', 0, Entry::MAX_LABEL),
                    $children,
                    false,
                );
            }
        }, $byParent[$parentId] ?? []);
    }

    private static function target(Row $row): Target
    {
        return match ($row->text('target_kind')) {
            'place' => new PlaceTarget(
                $row->text('place_id'),
                $row->text('part'),
                null === $row->textOrNull('narrowing') ? new Narrowing() : EntryCodec::narrowing(Fields::of($row->json('narrowing'))),
            ),
            'outside' => new OutsideTarget($row->text('uri')),
            'contact' => ContactTarget::fromUri($row->text('uri')),
            default => new Heading(),
        };
    }

    /**
     * @param list<Entry>                         $entries
     * @param array<string, array<string, mixed>> $rows
     */
    private static function collect(string $menuId, ?string $parentId, array $entries, bool $onPage, array &$rows): void
    {
        foreach ($entries as $position => $entry) {
            $target = $entry->target;
            $rows[$entry->id] = [
                'id' => $entry->id,
                'menu_id' => $menuId,
                'parent_id' => $parentId,
                'position' => $position,
                'label' => $entry->label,
                'target_kind' => match (true) {
                    $target instanceof PlaceTarget => 'place',
                    $target instanceof OutsideTarget => 'outside',
                    $target instanceof ContactTarget => 'contact',
                    default => 'heading',
                },
                'place_id' => $target instanceof PlaceTarget ? $target->placeId : null,
                'part' => $target instanceof PlaceTarget ? $target->part : '',
                'uri' => match (true) {
                    $target instanceof OutsideTarget => $target->url,
                    $target instanceof ContactTarget => $target->uri,
                    default => '',
                },
                'enabled' => $entry->enabled,
                'audience' => $entry->audience->value,
                'from_on' => $entry->opening->from?->format(\DATE_ATOM),
                'until_on' => $entry->opening->until?->format(\DATE_ATOM),
                'new_tab' => $entry->newTab,
                'note' => $entry->note,
                'narrowing' => $target instanceof PlaceTarget ? EntryCodec::narrowingShape($target->narrowing) : null,
                'filling' => null === $entry->filling ? null : EntryCodec::fillingShape($entry->filling),
                'piece' => $entry->content instanceof Piece ? PieceCodec::encode($entry->content) : null,
                'on_page' => $onPage ? $menuId : null,
            ];
            self::collect($menuId, $entry->id, $entry->children, $onPage, $rows);
        }
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Place\Place;
use Lantern\Core\Visitor;

/** What one visitor at one moment sees otherwise than another: told beside the shop itself. */
final class VisitorDifferences
{
    /**
     * @param list<ComparedMenu> $menus
     *
     * @return list<Touch> empty where nothing differs
     */
    public static function differences(?Place $place, array $menus, Visitor $now, Visitor $then): array
    {
        $touches = [];
        if (null !== $place) {
            [$was, $is] = [PlaceVisibility::of($place, $now), PlaceVisibility::of($place, $then)];
            if ($was !== $is) {
                $touches[] = new Touch(TouchKind::SeenOtherwise, [$place->title], seen: $is, seenToday: $was);
            }
        }
        foreach ($menus as $menu) {
            [$had, $has] = [$menu->today->byId(), $menu->then->byId()];
            foreach (array_diff_key($has, $had) as $entry) {
                $touches[] = new Touch(TouchKind::EntryIsThere, [$entry->label], $menu->name);
            }
            foreach (array_diff_key($had, $has) as $entry) {
                $touches[] = new Touch(TouchKind::EntryIsNotThere, [$entry->label], $menu->name);
            }
            foreach (array_intersect_key($has, $had) as $id => $entry) {
                if ((null === $entry->href) !== (null === $had[$id]->href)) {
                    $touches[] = new Touch(
                        null === $entry->href ? TouchKind::EntryIsHeading : TouchKind::EntryLeads,
                        [$entry->label],
                        $menu->name,
                    );
                }
            }
        }

        return $touches;
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Impact;

use Lantern\Core\Menu\ResolvedMenu;
use Lantern\Core\Place\Place;
use Lantern\Core\Visitor;

/** What one visitor at one moment sees otherwise than another: said in words, beside the shop itself. */
final class Seen
{
    /**
     * @param array<string, array{ResolvedMenu, ResolvedMenu}> $menus what each of the two gets, by the name of the menu
     *
     * @return list<string> sentences; empty where nothing differs
     */
    public static function differences(?Place $place, array $menus, Visitor $now, Visitor $then): array
    {
        $said = [];
        if (null !== $place) {
            [$was, $is] = [self::state($place, $now), self::state($place, $then)];
            if ($was !== $is) {
                $said[] = "“{$place->title}” $is; for a guest today it $was.";
            }
        }
        foreach ($menus as $name => [$today, $other]) {
            [$had, $has] = [$today->byId(), $other->byId()];
            foreach (array_diff_key($has, $had) as $entry) {
                $said[] = "$name: “{$entry->label}” is there.";
            }
            foreach (array_diff_key($had, $has) as $entry) {
                $said[] = "$name: “{$entry->label}” is not there.";
            }
            foreach (array_intersect_key($has, $had) as $id => $entry) {
                if ((null === $entry->href) !== (null === $had[$id]->href)) {
                    $said[] = null === $entry->href ? "$name: “{$entry->label}” is a heading." : "$name: “{$entry->label}” leads somewhere.";
                }
            }
        }

        return $said;
    }

    private static function state(Place $place, Visitor $visitor): string
    {
        return match (true) {
            $place->isShownTo($visitor) => 'is open',
            $place->opensFor($visitor) => 'opens, but is in no menu or list',
            $place->opensAt($visitor->moment) => 'asks for another audience',
            default => 'is closed',
        };
    }
}
